package org.zealousladder.server.scores.scores;

import static java.util.Objects.requireNonNull;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.RowCallbackHandler;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.scores.ScoreScale;
import org.zealousladder.core.scores.ScoreStatus;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.platform.sql.BoundTo;
import org.zealousladder.server.platform.sql.Known;

@Repository
class ScoresStore {
    private static final String KNOWN = " and s.status <> 'withdrawn' and s.taken_on <= :asOf and" + Known.asOf("s");
    private static final String COLUMNS = "select s.id, s.student_id, s.measure_id, s.taken_on, s.value, s.status, s.window_id, s.form from scores_score s ";

    /** Those whose forms are asked for. */
    private static final RowMapper<Score> WITH_FORM = (r, n) -> score(r, r.getString(8));
    private static final RowMapper<Score> SCORE = (r, n) -> score(r, null);
    private static final int ROWS_AT_ONCE = 2_000;

    private final JdbcClient db;

    ScoresStore(JdbcClient db) {
        this.db = db;
    }

    /** By hand, since a school's view reads tens of thousands of them. */
    private static Score score(ResultSet r, @Nullable String form) throws SQLException {
        // Asking for the plain type is several times as quick as asking for one that can be null.
        double number = r.getDouble(5);
        Double value = r.wasNull() ? null : (Double) number;
        int place = r.getInt(7);
        Integer window = r.wasNull() ? null : (Integer) place;
        return new Score(r.getLong(1), r.getInt(2), r.getInt(3), r.getObject(4, LocalDate.class), value, ScoreStatus.of(r.getString(6)), window, form);
    }

    List<Score> of(Collection<Integer> students, Collection<Integer> measures, LocalDate from, LocalDate asOf) {
        return between(students, measures, from, asOf).query(WITH_FORM).list();
    }

    void each(Collection<Integer> students, Collection<Integer> measures, LocalDate from, LocalDate asOf, Consumer<Score> each) {
        between(students, measures, from, asOf).withFetchSize(ROWS_AT_ONCE)
                .query((RowCallbackHandler) r -> each.accept(requireNonNull(WITH_FORM.mapRow(r, 0))));
    }

    private JdbcClient.StatementSpec between(Collection<Integer> students, Collection<Integer> measures, LocalDate from, LocalDate asOf) {
        return db.sql(COLUMNS + " where s.student_id = any(:students) and s.measure_id = any(:measures) and s.taken_on >= :from"
                + KNOWN + " order by s.student_id, s.measure_id, s.taken_on")
                .param("students", students.toArray(Integer[]::new)).param("measures", shorts(measures))
                .param("from", from).param("asOf", asOf);
    }

    List<Score> series(Collection<ScoresService.StudentMeasure> of, LocalDate from, LocalDate asOf) {
        return db.sql(COLUMNS + " join unnest(:students, :measures) as p(student_id, measure_id) using (student_id, measure_id) where s.taken_on >= :from"
                + KNOWN + " order by s.student_id, s.measure_id, s.taken_on")
                .param("students", of.stream().map(ScoresService.StudentMeasure::studentId).toArray(Integer[]::new))
                .param("measures", shorts(of.stream().map(ScoresService.StudentMeasure::measureId).toList()))
                .param("from", from).param("asOf", asOf).query(WITH_FORM).list();
    }

    /** The screening scores: see the function. */
    List<Score> screening(Collection<Integer> students, Collection<Integer> measures, List<Window> windows, LocalDate asOf) {
        return db.sql("""
                select id, student_id, measure_id, taken_on, value, status, window_id
                  from scores_screening(:students, :measures, :windows, :starts::date[], :ends::date[], :asOf)""")
                .param("windows", windows.stream().map(Window::id).toArray(Integer[]::new))
                .param("starts", windows.stream().map(w -> w.starts().toString()).toArray(String[]::new))
                .param("ends", windows.stream().map(w -> w.ends().toString()).toArray(String[]::new))
                .param("students", students.toArray(Integer[]::new)).param("measures", shorts(measures))
                .param("asOf", asOf).query(SCORE).list();
    }

    /** All scores that belong to some windows, by their day or as make-ups, in no order: sorting them costs more than reading them. */
    List<Score> inWindows(Collection<Integer> students, Collection<Integer> measures, List<Window> windows, LocalDate asOf) {
        String theirs = " s.student_id = any(:students) and s.measure_id = any(:measures)" + KNOWN;
        // OFFSET 0: window by window, in each the days of the students; otherwise all days of all students are read and most are dropped.
        return db.sql("""
                select s.* from unnest(:starts::date[], :ends::date[]) as w(starts, ends) cross join lateral (
                  %s where s.window_id is null and s.taken_on between w.starts and w.ends and %s offset 0) s
                union all
                %s where s.window_id = any(:windows) and %s""".formatted(COLUMNS, theirs, COLUMNS, theirs))
                .param("windows", windows.stream().map(Window::id).toArray(Integer[]::new))
                .param("starts", windows.stream().map(w -> w.starts().toString()).toArray(String[]::new))
                .param("ends", windows.stream().map(w -> w.ends().toString()).toArray(String[]::new))
                .param("students", students.toArray(Integer[]::new)).param("measures", shorts(measures))
                .param("asOf", asOf).query(SCORE).list();
    }

    /** A number with the measure and grade it belongs to. */
    List<ScoresService.SchoolValue> ofSchool(ScoresService.SchoolAsked of, LocalDate asOf) {
        return db.sql("select measure_id, grade, value from scores_of_school(:school, :window, :measures, :grades, :asOf)")
                .param("school", of.school()).param("window", of.window().id()).param("measures", shorts(of.measures())).param("grades", shorts(of.grades()))
                .param("asOf", asOf)
                .query((r, n) -> new ScoresService.SchoolValue(r.getInt(1), r.getInt(2), r.getDouble(3))).list();
    }

    List<Score> ofStudent(int student, LocalDate asOf) {
        return db.sql(COLUMNS + " where s.student_id = :student" + KNOWN + " order by s.measure_id, s.taken_on")
                .param("student", student).param("asOf", asOf).query(WITH_FORM).list();
    }

    List<ScoreVersion> history(int student, int measure, LocalDate asOf) {
        return db.sql("""
                select s.id, s.taken_on, s.value, s.status, s.source, s.recorded_at, p.name as recorded_by, s.reason, s.superseded_by, s.form
                  from scores_score s left join people_person p on p.id = s.recorded_by
                 where s.student_id = :student and s.measure_id = :measure and s.known_from <= :asOf
                 order by s.taken_on desc, s.recorded_at desc, s.id desc""")
                .param("student", student).param("measure", measure).param("asOf", asOf).query(ScoreVersion.class).list();
    }

    Optional<Score> current(int student, int measure, LocalDate takenOn) {
        return db.sql(COLUMNS + """
                 where s.student_id = :student and s.measure_id = :measure and s.taken_on = :takenOn and s.superseded_by is null""")
                .param("student", student).param("measure", measure).param("takenOn", takenOn).query(WITH_FORM).optional();
    }

    record Versioned(long id, int studentId, int measureId, LocalDate takenOn, @Nullable Double value, ScoreStatus status,
            LocalDate knownFrom, @Nullable Long supersededBy, @Nullable Integer windowId,
            @Nullable String form) {}

    Optional<Versioned> byId(long id) {
        return db.sql("""
                select id, student_id, measure_id, taken_on, value, status, known_from, superseded_by, window_id, form from scores_score where id = :id""")
                .param("id", id).query(Versioned.class).optional();
    }

    long nextId() {
        return db.sql("select nextval(pg_get_serial_sequence('scores_score', 'id'))").query(Long.class).single();
    }

    /** @return whether it was still the current one */
    boolean supersede(long id, long by, LocalDate on) {
        return db.sql("update scores_score set superseded_by = :by, superseded_on = :on where id = :id and superseded_by is null")
                .param("id", id).param("by", by).param("on", on).update() == 1;
    }

    /** A new row: the entry, and when and by whom it became known. */
    void insert(long id, ScoreEntry entry, LocalDate knownFrom, int by) {
        db.sql("""
                insert into scores_score (id, student_id, measure_id, taken_on, value, status, source, known_from, recorded_by, reason, window_id, forms, form)
                values (:id, :studentId, :measureId, :takenOn, :value, :status, 'entered', :knownFrom, :by, :reason, :makeUpFor, :formsTyped::double precision[], :form)""")
                .paramSource(new BoundTo(entry).and("id", id).and("knownFrom", knownFrom).and("by", by)
                        .and("formsTyped", entry.forms() == null ? null : entry.forms().toArray(Double[]::new)))
                .update();
    }

    /** Of some scores. @param seen how many the viewer sees @param free how many of these are still the current ones, scored, and in no window that is closed */
    record Nameable(int seen, int free) {}

    Nameable nameable(Collection<Long> ids) {
        return db.sql("""
                select count(*)::integer as seen, count(*) filter (where s.superseded_by is null and s.status = 'scored'
                         and not exists (select from measures_closed() k where k.student_id = s.student_id and k.area = m.area
                                            and (k.window_id = s.window_id or s.window_id is null and s.taken_on between k.starts and k.ends)))::integer as free
                  from scores_score s join measures_measure m on m.id = s.measure_id where s.id = any(:ids)""")
                .param("ids", ids.toArray(Long[]::new)).query(Nameable.class).single();
    }

    /** Says of current scores what their form is called, null for nothing: those of which something else was said are replaced. */
    int name(Collection<Long> ids, @Nullable String form, @Nullable String reason, LocalDate today, int by) {
        return db.sql("""
                with named as (
                  select s.id, nextval(pg_get_serial_sequence('scores_score', 'id')) as next_id
                    from scores_score s where s.id = any(:ids) and s.superseded_by is null and s.form is distinct from :form::text),
                replaced as (
                  update scores_score s set superseded_by = n.next_id, superseded_on = greatest(:today::date, s.known_from)
                    from named n where s.id = n.id and s.superseded_by is null
                  returning n.next_id, s.student_id, s.measure_id, s.taken_on, s.value, s.status, s.source, s.superseded_on, s.window_id, s.forms)
                insert into scores_score (id, student_id, measure_id, taken_on, value, status, source, known_from, recorded_by, reason, window_id, forms, form)
                select next_id, student_id, measure_id, taken_on, value, status, case source when 'added-up' then source else 'entered' end, superseded_on, :by, :reason, window_id,
                       forms, :form from replaced""")
                .param("ids", ids.toArray(Long[]::new)).param("form", form, Types.VARCHAR).param("reason", reason, Types.VARCHAR)
                .param("today", today).param("by", by).update();
    }

    /** What forms of a measure were called in the last {@code days}, the newest first. */
    List<String> formNames(Collection<Integer> students, int measure, LocalDate today, int days, int most) {
        return db.sql("""
                select form from scores_score
                 where student_id = any(:students) and measure_id = :measure and taken_on between :today::date - :days and :today::date and superseded_by is null
                   and form is not null
                 group by form order by max(taken_on) desc, form limit :most""")
                .param("students", students.toArray(Integer[]::new)).param("measure", measure).param("today", today).param("days", days)
                .param("most", most).query(String.class).list();
    }

    /** Adds up the parts of a day, where the measure is one of them or their whole. */
    void addUp(int student, int measure, LocalDate day) {
        db.sql("select scores_add_up(array[:student]::integer[], array[:measure]::smallint[], array[:day]::date[])").param("student", student)
                .param("measure", measure)
                .param("day", day).query(Integer.class).single();
    }

    /** Whether parts of a measure are on record for a day. */
    boolean partsKnown(int student, int whole, LocalDate day) {
        return db.sql("""
                select exists (select from measures_measure p join scores_score s on s.measure_id = p.id and s.student_id = :student and s.taken_on = :day
                                  and s.superseded_by is null and s.status <> 'withdrawn' where p.part_of = :whole)""").param("student", student)
                .param("whole", whole)
                .param("day", day).query(Boolean.class).single();
    }

    /** One row a student and measure: the last scored one of the 400 days before {@code day}. */
    List<Score> lastBefore(Collection<Integer> students, Collection<Integer> measures, LocalDate day) {
        return db.sql("select distinct on (student_id, measure_id) * from (" + COLUMNS + """
                 where s.student_id = any(:students) and s.measure_id = any(:measures) and s.taken_on between :day::date - 400 and :day::date - 1
                   and s.status = 'scored' and s.superseded_by is null) s
                 order by student_id, measure_id, taken_on desc""")
                .param("students", students.toArray(Integer[]::new)).param("measures", shorts(measures)).param("day", day).query(SCORE).list();
    }

    /** Scores in use that a scale could not give, the newest first. */
    List<Score> outside(int measure, ScoreScale scale, LocalDate asOf, int most) {
        return db.sql(COLUMNS + """
                 where s.measure_id = :measure and s.value is not null
                   and (s.value not between :lowest and :highest or round(s.value::numeric, :decimals) <> s.value::numeric)""" + KNOWN
                + " order by s.taken_on desc, s.student_id limit :most")
                .param("measure", measure).param("lowest", scale.lowest()).param("highest", scale.highest()).param("decimals", scale.decimals())
                .param("asOf", asOf).param("most", most).query(SCORE).list();
    }

    Map<Long, OffsetDateTime> recordedAt(Collection<Long> ids) {
        return db.sql("select id, recorded_at from scores_score where id = any(:ids)").param("ids", ids.toArray(Long[]::new))
                .query((r, n) -> Map.entry(r.getLong(1), r.getObject(2, OffsetDateTime.class))).list().stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    boolean anyIn(Window window) {
        return db.sql("""
                select exists (select from scores_score s where s.window_id is null and s.taken_on between :starts and :ends and s.superseded_by is null
                                 and s.status <> 'withdrawn')""")
                .paramSource(new BoundTo(window)).query(Boolean.class).single();
    }

    private static Short[] shorts(Collection<Integer> ids) {
        return ids.stream().map(Integer::shortValue).toArray(Short[]::new);
    }
}
