package org.zealousladder.server.engagement.work;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.Coded;
import org.zealousladder.core.work.WorkState;
import org.zealousladder.server.platform.who.Viewer;

/** Pieces of work and what became of them, as it was known. */
@Repository
class WorkStore {
    private final JdbcClient db;

    WorkStore(JdbcClient db) {
        this.db = db;
    }

    private static final String PIECE = """
            select p.id, p.code, p.school_id, p.class_id, p.group_id, coalesce(c.name, g.name) as of_name, p.title, p.subject, p.kind, p.due, p.possible, p.skill, p.link
              from work_piece p left join roster_class c on c.id = p.class_id left join roster_group g on g.id = p.group_id\s""";

    /** Pieces that any of the students has to do, by due day. */
    List<Piece> pieces(Collection<Integer> ids) {
        return db.sql(PIECE + "where p.id = any(:ids) order by p.due, p.id").param("ids", ids.toArray(Integer[]::new)).query(Piece.class).list();
    }

    Optional<Piece> piece(int id) {
        return db.sql(PIECE + "where p.id = :id and not p.ended").param("id", id).query(Piece.class).optional();
    }

    record Whose(int pieceId, int studentId) {}

    List<Whose> whose(Collection<Integer> students, LocalDate from, LocalDate to, LocalDate asOf) {
        return db.sql("select piece_id, student_id from work_of(:students, :from, :to, :asOf)").param("students", students.toArray(Integer[]::new))
                .param("from", from)
                .param("to", to).param("asOf", asOf).query(Whose.class).list();
    }

    private record Told(long id, int pieceId, int studentId, @Nullable String told, @Nullable String reason) {}

    private record Attempted(long id, int pieceId, int studentId, int number, @Nullable LocalDate onDay, @Nullable Double points, @Nullable Double possible,
            @Nullable Integer seconds, @Nullable String link) {}

    /** By student and piece. */
    Map<Integer, Map<Integer, Cell>> cells(Collection<Integer> students, Collection<Integer> pieces, LocalDate asOf) {
        Map<Integer, Map<Integer, Cell>> all = new HashMap<>();
        String known = " where student_id = any(:students) and piece_id = any(:pieces) and known_from <= :asOf and (superseded_on is null or superseded_on > :asOf)";
        db.sql("select id, piece_id, student_id, number, on_day, points, possible, seconds, link from work_attempt" + known + " order by number")
                .param("students", students.toArray(Integer[]::new)).param("pieces", pieces.toArray(Integer[]::new)).param("asOf", asOf).query(Attempted.class)
                .list()
                .forEach(a -> all.computeIfAbsent(a.studentId(), s -> new HashMap<>()).merge(a.pieceId(), new Cell(a.onDay() == null ? List.of()
                        : List.of(new Cell.AttemptRow(a.id(), a.number(), a.onDay(), a.points(), a.possible(), a.seconds(), a.link())), null, null, a.id()),
                        WorkStore::both));
        db.sql("select id, piece_id, student_id, told, reason from work_told" + known).param("students", students.toArray(Integer[]::new))
                .param("pieces", pieces.toArray(Integer[]::new)).param("asOf", asOf).query(Told.class).list()
                .forEach(t -> all.computeIfAbsent(t.studentId(), s -> new HashMap<>()).merge(t.pieceId(),
                        new Cell(List.of(), t.told() == null ? null : Coded.of(WorkState.class, t.told(), "a state"), t.reason(), t.id()), WorkStore::both));
        return all;
    }

    private static Cell both(Cell a, Cell b) {
        List<Cell.AttemptRow> attempts = new ArrayList<>(a.attempts());
        attempts.addAll(b.attempts());
        return new Cell(attempts, b.told() == null ? a.told() : b.told(), b.told() == null ? a.reason() : b.reason(), a.seen() + b.seen());
    }

    /** Waits for anybody else who changes the same cell. */
    void lock(int piece, int student) {
        db.sql("select pg_advisory_xact_lock(hashtextextended('work', :piece::bigint * 100000000 + :student))").param("piece", piece).param("student", student)
                .query().listOfRows();
    }

    /** Whether an attempt was on record before without points: handed in, and then marked. */
    boolean cameUnmarked(int piece, int student, int number) {
        return db.sql(
                "select exists (select from work_attempt where piece_id = :piece and student_id = :student and number = :number and on_day is not null and points is null)")
                .param("piece", piece).param("student", student).param("number", number).query(Boolean.class).single();
    }

    void attempt(int piece, int student, int number, @Nullable LocalDate on, @Nullable Double points, Cell.@Nullable AttemptRow before, LocalDate today) {
        long id = db.sql("select nextval('work_attempt_id_seq')").query(Long.class).single();
        db.sql("""
                update work_attempt set superseded_by = :id, superseded_on = greatest(:today, known_from)
                 where piece_id = :piece and student_id = :student and number = :number and superseded_by is null""")
                .param("id", id).param("today", today).param("piece", piece).param("student", student).param("number", number).update();
        db.sql("""
                insert into work_attempt (id, piece_id, student_id, number, on_day, points, possible, seconds, link, known_from, recorded_by)
                values (:id, :piece, :student, :number, :on, :points, :possible, :seconds, :link, :today, :by)""")
                .param("id", id).param("piece", piece).param("student", student).param("number", number).param("on", on).param("points", points)
                .param("possible", before == null ? null : before.possible()).param("seconds", before == null ? null : before.seconds())
                .param("link", before == null ? null : before.link()).param("today", today).param("by", Viewer.current().id()).update();
    }

    void told(int piece, int student, @Nullable WorkState told, @Nullable String reason, LocalDate today) {
        long id = db.sql("select nextval('work_told_id_seq')").query(Long.class).single();
        db.sql("""
                update work_told set superseded_by = :id, superseded_on = greatest(:today, known_from)
                 where piece_id = :piece and student_id = :student and superseded_by is null""")
                .param("id", id).param("today", today).param("piece", piece).param("student", student).update();
        db.sql("""
                insert into work_told (id, piece_id, student_id, told, reason, known_from, recorded_by) values (:id, :piece, :student, :told, :reason, :today, :by)""")
                .param("id", id).param("piece", piece).param("student", student).param("told", told == null ? null : told.code()).param("reason", reason)
                .param("today", today)
                .param("by", Viewer.current().id()).update();
    }

    int add(PieceForm f, int school, String code, LocalDate today) {
        return db.sql("""
                insert into work_piece (code, school_id, class_id, group_id, title, subject, kind, due, possible, skill, link, known_from, made_by)
                values (:code, :school, :class, :group, :title, :subject, :kind, :due, :possible, :skill, :link, :today, :by) returning id""")
                .param("code", code).param("school", school).param("class", f.classId()).param("group", f.groupId()).param("title", f.title())
                .param("subject", f.subject())
                .param("kind", f.kind()).param("due", f.due()).param("possible", f.possible()).param("skill", f.skill()).param("link", f.link())
                .param("today", today)
                .param("by", Viewer.current().id()).query(Integer.class).single();
    }

    boolean change(int id, PieceForm f) {
        return db.sql("""
                update work_piece set title = :title, subject = :subject, kind = :kind, due = :due, possible = :possible, skill = :skill, link = :link, changed_at = now()
                 where id = :id and not ended""")
                .param("id", id).param("title", f.title()).param("subject", f.subject()).param("kind", f.kind()).param("due", f.due())
                .param("possible", f.possible())
                .param("skill", f.skill()).param("link", f.link()).update() == 1;
    }

    boolean end(int id) {
        return db.sql("update work_piece set ended = true, changed_at = now() where id = :id and not ended").param("id", id).update() == 1;
    }

    /** A setting that was made. */
    record PastSetting(int id, String attempt, boolean late, boolean missingZero, double soft, double strong, String rungs, String because, LocalDate knownFrom,
            @Nullable String by) {}

    /** All of a school's, the newest first. */
    List<PastSetting> history(int school) {
        return db.sql("""
                select s.id, s.attempt, s.late, s.missing_zero, s.soft, s.strong, s.rungs::text as rungs, s.because, s.known_from, p.name as by from work_setting s
                  left join people_person p on p.id = s.recorded_by where s.school_id = :school order by s.id desc limit 50""").param("school", school)
                .query(PastSetting.class).list();
    }

    record SettingRow(int schoolId, String attempt, boolean late, boolean missingZero, double soft, double strong, String rungs) {}

    /** The newest that was known, by school. */
    List<SettingRow> settings(LocalDate asOf) {
        return db.sql("""
                select distinct on (school_id) school_id, attempt, late, missing_zero, soft, strong, rungs::text as rungs from work_setting where known_from <= :asOf
                 order by school_id, id desc""")
                .param("asOf", asOf).query(SettingRow.class).list();
    }

    void set(int school, SettingRow s, String because, LocalDate today) {
        db.sql("""
                insert into work_setting (school_id, attempt, late, missing_zero, soft, strong, rungs, because, known_from, recorded_by)
                values (:school, :attempt, :late, :zero, :soft, :strong, :rungs::jsonb, :because, :today, :by)""")
                .param("school", school).param("attempt", s.attempt()).param("late", s.late()).param("zero", s.missingZero()).param("soft", s.soft())
                .param("strong", s.strong())
                .param("rungs", s.rungs()).param("because", because).param("today", today).param("by", Viewer.current().id()).update();
    }
}
