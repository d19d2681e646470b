package org.zealousladder.server.monitoring.plans;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcOperations;
import org.springframework.jdbc.core.namedparam.SqlParameterSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.calendar.SchoolDays;
import org.zealousladder.server.platform.sql.BoundTo;
import org.zealousladder.server.platform.sql.Known;

@Repository
class PlansStore {
    private final JdbcClient db;
    private final NamedParameterJdbcOperations batch;

    PlansStore(JdbcClient db, NamedParameterJdbcOperations batch) {
        this.db = db;
        this.batch = batch;
    }

    record PlanRow(long id, long root, int studentId, int measureId, @Nullable Long groupId, @Nullable String groupName, String worry,
            @Nullable String success, LocalDate starts, LocalDate ends, @Nullable LocalDate closedOn, @Nullable PlanOutcome outcome,
            @Nullable String outcomeNote, @Nullable String by, @Nullable Integer schoolId) {
        Plan plan() {
            return new Plan(id, root, studentId, measureId, groupId, groupName, worry, success, starts, ends, closedOn, outcome, outcomeNote, by,
                    List.of(), 0, 0, false);
        }
    }

    private record PhaseRow(long planRoot, LocalDate starts, String strategy, @Nullable String place, @Nullable String leader,
            @Nullable Integer minutes, int perWeek, @Nullable String reason) {}

    private record GivenRow(long planRoot, int given) {}

    /**
     * Plans with phases and sessions as known on a day, the newest first: three reads whatever their number.
     *
     * @param calendars the days of a school, by its number
     */
    List<Plan> knownOn(Collection<Integer> students, @Nullable Integer measure, LocalDate asOf, IntFunction<SchoolDays> calendars) {
        Integer[] ids = students.toArray(Integer[]::new);
        List<PlanRow> rows = db.sql("""
                select p.id, p.root, p.student_id, p.measure_id, p.group_id, p.group_name, p.worry, p.success, p.starts, p.ends, p.closed_on,
                       p.outcome, p.outcome_note, a.name as by,
                       (select c.school_id from roster_enrolment e join roster_class c on c.id = e.class_id
                         where e.student_id = p.student_id and e.starts <= :asOf order by e.starts desc limit 1) as school_id
                  from plans_plan p left join people_person a on a.id = p.recorded_by
                 where p.student_id = any(:students) and (:measure::smallint is null or p.measure_id = :measure::smallint) and """
                + Known.asOf("p") + "order by p.starts desc, p.id desc").param("students", ids).param("measure", measure).param("asOf", asOf)
                .query(PlanRow.class).list();
        if (rows.isEmpty()) {
            return List.of();
        }
        Map<Long, List<Plan.PlanPhase>> phases = db.sql("""
                select f.plan_root, f.starts, f.strategy, f.place, f.leader, f.minutes, f.per_week, f.reason from plans_phase f
                 where f.student_id = any(:students) and""" + Known.notWithdrawn("f") + "order by f.plan_root, f.starts")
                .param("students", ids).param("asOf", asOf).query(PhaseRow.class).list().stream()
                .collect(Collectors.groupingBy(PhaseRow::planRoot, Collectors.mapping(
                        r -> new Plan.PlanPhase(r.starts(), r.strategy(), r.place(), r.leader(), r.minutes(), r.perWeek(), r.reason()), Collectors.toList())));
        Map<Long, Integer> given = db
                .sql("select s.plan_root, sum(s.given)::integer as given from plans_session s where s.student_id = any(:students) and s.on_day <= :asOf and "
                        + Known.asOf("s") + "group by s.plan_root")
                .param("students", ids).param("asOf", asOf).query(GivenRow.class).list().stream()
                .collect(Collectors.toMap(GivenRow::planRoot, GivenRow::given));
        return rows.stream().map(r -> r.plan().with(phases.getOrDefault(r.root(), List.of()), given.getOrDefault(r.root(), 0), asOf,
                r.schoolId() == null ? SchoolDays.MONDAY_TO_FRIDAY : calendars.apply(r.schoolId()))).toList();
    }

    /** Whose plan a version is. */
    record Owner(long id, int studentId) {}

    /** Of those that the viewer may see. */
    List<Owner> owners(Collection<Long> ids) {
        return db.sql("select id, student_id from plans_plan where id = any(:ids)").param("ids", ids.toArray(Long[]::new)).query(Owner.class).list();
    }

    /** A plan that runs at some time between two days, if there is one; {@code to} null is for ever. */
    List<Integer> studentsWithPlan(Collection<Integer> students, int measure, LocalDate from) {
        return db.sql("""
                select distinct student_id from plans_plan
                 where student_id = any(:students) and measure_id = :measure and superseded_by is null and (closed_on is null or closed_on > :from)""")
                .param("students", students.toArray(Integer[]::new)).param("measure", measure).param("from", from).query(Integer.class).list();
    }

    List<Long> nextIds(int n) {
        return db.sql("select nextval(pg_get_serial_sequence('plans_plan', 'id')) from generate_series(1, :n)").param("n", n).query(Long.class).list();
    }

    /** A version with the number it gets. */
    record Numbered(long id, PlanVersion version) {}

    void insert(Collection<Numbered> versions, LocalDate today, int by) {
        batch.batchUpdate("""
                insert into plans_plan (id, root, student_id, measure_id, group_id, group_name, worry, success, starts, ends, closed_on, outcome,
                                        outcome_note, known_from, recorded_by)
                values (:id, :root, :studentId, :measureId, :groupId, :groupName, :worry, :success, :starts, :ends, :closedOn, :outcome, :outcomeNote,
                        :today, :by)""", versions.stream().map(v -> new BoundTo(v.version()).and("id", v.id()).and("today", today).and("by", by))
                .toArray(SqlParameterSource[]::new));
    }

    /** A plan that a phase or a session hangs on. */
    record Hook(long root, int studentId) {
        static List<Hook> of(Collection<Plan> plans) {
            return plans.stream().map(p -> new Hook(p.root(), p.studentId())).toList();
        }
    }

    void sayWhyReopened(long id, String because) {
        db.sql("update plans_plan set reopened_because = :because where id = :id").param("because", because).param("id", id).update();
    }

    boolean supersede(long id, long by, LocalDate on) {
        return db.sql("update plans_plan set superseded_by = :by, superseded_on = greatest(:on, known_from) where id = :id and superseded_by is null")
                .param("id", id).param("by", by).param("on", on).update() == 1;
    }

    /** The same phase for each of some plans, which are for one measure. */
    void insertPhase(List<Hook> plans, int measure, Plan.PlanPhase phase, @Nullable Integer strategyId, LocalDate today, int by) {
        db.sql("""
                insert into plans_phase (plan_root, student_id, measure_id, starts, strategy_id, strategy, place, leader, minutes, per_week, reason,
                                         known_from, recorded_by)
                select p.root, p.student_id, :measure, :starts, :strategyId, :strategy, :place, :leader, :minutes, :perWeek, :reason, :today, :by
                  from unnest(:roots, :students) as p(root, student_id)""")
                .paramSource(new BoundTo(phase).and("roots", plans.stream().map(Hook::root).toArray(Long[]::new))
                        .and("students", plans.stream().map(Hook::studentId).toArray(Integer[]::new)).and("measure", measure).and("strategyId", strategyId)
                        .and("today", today).and("by", by))
                .update();
    }

    /** Takes back the phase that began on a day, where it is not the plan's first. */
    void withdrawPhase(int student, int measure, LocalDate starts, LocalDate today) {
        db.sql("""
                update plans_phase f set withdrawn_on = greatest(:today, f.known_from)
                 where f.student_id = :student and f.measure_id = :measure and f.starts = :starts and f.withdrawn_on is null
                   and exists (select from plans_phase b where b.plan_root = f.plan_root and b.starts < f.starts and b.withdrawn_on is null)""")
                .param("student", student).param("measure", measure).param("starts", starts).param("today", today).update();
    }

    /** A session of one plan on one day, or the count of the week that begins then. */
    record SessionRow(long planRoot, LocalDate onDay, int given) {}

    List<SessionRow> sessions(Collection<Integer> students, LocalDate from, LocalDate to, LocalDate asOf) {
        return db.sql("select s.plan_root, s.on_day, s.given from plans_session s where s.student_id = any(:students) and s.on_day between :from and :to and "
                + Known.asOf("s") + "order by s.plan_root, s.on_day").param("students", students.toArray(Integer[]::new))
                .param("from", from).param("to", to).param("asOf", asOf).query(SessionRow.class).list();
    }

    record HeldRow(int studentId, int given) {}

    List<HeldRow> held(Collection<Integer> students, LocalDate from, LocalDate to, LocalDate asOf) {
        return db.sql(
                "select s.student_id, sum(s.given)::integer as given from plans_session s where s.student_id = any(:students) and s.on_day between :from and :to"
                        + " and s.given > 0 and " + Known.asOf("s") + "group by 1")
                .param("students", students.toArray(Integer[]::new))
                .param("from", from).param("to", to).param("asOf", asOf).query(HeldRow.class).list();
    }

    /** Puts {@code given} on the day for each plan; what stood there is superseded. */
    void hold(Collection<Plan> plans, LocalDate day, int given, LocalDate today, int by) {
        Long[] roots = plans.stream().map(Plan::root).toArray(Long[]::new);
        // Two statements: within one, the new row would meet the old one before that is superseded.
        db.sql("""
                update plans_session set superseded_by = nextval(pg_get_serial_sequence('plans_session', 'id')), superseded_on = greatest(:today, known_from)
                 where plan_root = any(:roots) and on_day = :day and superseded_by is null and given <> :given""")
                .param("roots", roots).param("day", day).param("given", (short) given).param("today", today).update();
        db.sql("""
                insert into plans_session (id, plan_root, student_id, on_day, given, known_from, recorded_by)
                select coalesce((select max(s.superseded_by) from plans_session s where s.plan_root = p.root and s.on_day = :day),
                                nextval(pg_get_serial_sequence('plans_session', 'id'))), p.root, p.student_id, :day, :given, :today, :by
                  from unnest(:roots, :students) as p(root, student_id)
                 where not exists (select from plans_session s where s.plan_root = p.root and s.on_day = :day and s.superseded_by is null)""")
                .param("roots", roots).param("students", plans.stream().map(Plan::studentId).toArray(Integer[]::new))
                .param("day", day).param("given", (short) given).param("today", today).param("by", by).update();
    }
}
