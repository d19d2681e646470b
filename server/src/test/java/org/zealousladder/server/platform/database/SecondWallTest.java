package org.zealousladder.server.platform.database;

import static org.junit.jupiter.api.Assertions.assertAll;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.sql.SQLException;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.dao.DataAccessException;
import org.springframework.transaction.TransactionException;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.SetupRights;

/** What nobody can do by plain SQL as the server's own role, whoever it asks for: B. Calder teaches the students of this test, R. Oduya does not. */
class SecondWallTest extends ScreeningTest {
    private static final String NOT_ALLOWED = "42501";
    private static final String NOT_SO = "23514";
    private static final String DONE_ALREADY = "40001";
    private static final String NOTHING = "0 rows";

    @org.springframework.beans.factory.annotation.Autowired
    private SetupRights rights;

    private int mine;
    private int other;

    @BeforeEach
    void aStudentWithEverything() {
        if (asking(Viewer.SYSTEM, () -> db.sql("select exists (select from roster_class where code = '2025-TAMPER')").query(Boolean.class).single())) {
            mine = student("Kai 2025-TAMPER");
            other = student("Lea 2025-TAMPER");
            return;
        }
        newClass("2025-TAMPER", 3, "b.calder", "Kai", "Lea");
        mine = student("Kai 2025-TAMPER");
        other = student("Lea 2025-TAMPER");
        score("2025-TAMPER-Kai", "oral-reading", "2026-02-02", 41);
        take("passage,title,grade,text", "TAMPER,A walk,3," + "word ".repeat(30).strip());
        asking(person("b.calder"), () -> {
            sql("update scores_score set superseded_by = 900001, superseded_on = '2026-03-13' where student_id = :mine");
            sql("insert into scores_score (id, student_id, measure_id, taken_on, value, status, source, known_from) "
                    + "values (900001, :mine, :oral, '2026-02-02', 42, 'scored', 'entered', '2026-03-13')");
            sql("insert into goals_goal (student_id, measure_id, start_date, start_score, goal_date, goal_score, known_from) "
                    + "values (:mine, :oral, '2026-01-05', 40, '2026-05-29', 70, '2026-01-05')");
            sql("insert into plans_concern (student_id, area, level, known_from) values (:mine, 'Reading', 2, '2026-01-05')");
            for (String who : List.of(":mine", ":other")) {
                int id = who.equals(":mine") ? 900001 : 900002;
                sql("insert into plans_plan (id, root, student_id, measure_id, worry, starts, ends, known_from) "
                        + "values (" + id + ", " + id + ", " + who + ", :oral, 'slow', '2026-01-05', '2026-05-29', '2026-01-05')");
                sql("insert into plans_phase (plan_root, student_id, measure_id, starts, strategy, per_week, known_from) "
                        + "values (" + id + ", " + who + ", :oral, '2026-01-05', 'Paired reading', 3, '2026-01-05')");
            }
            sql("insert into tiers_opinion (student_id, window_id, area, tier, known_from) values (:mine, :winter, 'Reading', 2, '2026-03-13')");
            sql("insert into decisions_decision (student_id, measure_id, kind, decided_on, because) values (:mine, :oral, 'hold', '2026-03-02', 'x')");
            for (int id : new int[] {900001, 900002}) {
                sql("insert into reading_reading (id, student_id, passage_id, read_on, seconds, last_word, proposed_level, level, known_from) values (" + id
                        + ", :mine, (select id from reading_passage where code = 'TAMPER'), '2026-03-02', 60, 30, 'x', 'x', '2026-03-02')");
            }
            return sql("update reading_reading set withdrawn_on = '2026-03-12', withdrawn_by = scope_person() where id = 900002");
        });
        asking(person("m.tveit"),
                () -> sql("insert into tiers_rule (school_id, area, rule, known_from) values (" + school() + ", 'Tamper', 'most', '2026-01-05')"));
        asking(person("m.tveit"), () -> sql("insert into tiers_tier (student_id, window_id, area, outcome, tier, because, known_from) "
                + "values (:mine, :winter, 'Reading', 'confirmed', 2, 'x', '2026-03-13')"));
    }

    private int sql(String statement) {
        String s = statement.replace(":mine", Integer.toString(mine)).replace(":other", Integer.toString(other))
                .replace(":oral", Integer.toString(measure("oral-reading"))).replace(":winter", Integer.toString(window("Winter")));
        return db.sql(s).update();
    }

    /** What came of a statement: its rows, or the state that the database refused with. */
    private String tried(String login, String statement) {
        try {
            return asking(person(login), () -> sql(statement)) + " rows";
        } catch (DataAccessException | TransactionException e) {
            for (Throwable t = e; t != null; t = t.getCause()) {
                if (t instanceof SQLException s) {
                    return s.getSQLState();
                }
            }
            throw e;
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            goals_goal    | student_id = :mine | 900099
            plans_concern | student_id = :mine | 900099
            plans_plan    | student_id = :mine | 900099
            plans_plan    | student_id = :mine | 900002
            tiers_opinion | student_id = :mine | 900099
            scores_score  | student_id = :mine | 900099
            scores_score  | student_id = :mine | (select max(id) from scores_score where student_id <> :mine)
            """)
    void nothingIsHiddenBehindASuccessorThatIsNot(String table, String whose, String successor) {
        String hide = "update " + table + " set superseded_on = '2026-03-13', superseded_by = " + successor + " where superseded_by is null and " + whose;
        assertEquals(NOT_SO, tried("b.calder", hide));
        assertEquals(NOTHING, tried("r.oduya", hide));
    }

    @Test
    void norBehindItselfNorBehindOneThatIsStillToCome() {
        assertEquals(NOT_SO, tried("b.calder", "update plans_plan set superseded_on = '2026-03-13', superseded_by = id where student_id = :mine"));
        assertEquals(NOT_SO, tried("b.calder", "with n as (insert into plans_concern (id, student_id, area, level, known_from) "
                + "values (900101, :mine, 'Hidden', 0, '2099-01-01') returning id) "
                + "insert into plans_concern (id, student_id, area, level, known_from, superseded_on, superseded_by) "
                + "select 900102, :mine, 'Hidden', 2, '2026-01-05', null, null from n where false; "
                + "update plans_concern set superseded_on = '2026-03-13', superseded_by = 900101 where student_id = :mine and area = 'Reading'"));
        assertEquals(NOT_SO, tried("m.tveit", "update tiers_rule set superseded_on = '2026-03-13' where superseded_on is null and area = 'Tamper'"),
                "a rule without another in its place");
    }

    @Test
    void whatWasSupersededOrTakenBackStaysSo() {
        assertEquals(DONE_ALREADY, tried("b.calder",
                "update scores_score set superseded_on = null, superseded_by = null where student_id = :mine and superseded_by is not null"));
        assertEquals(NOT_ALLOWED, tried("b.calder", "update reading_reading set withdrawn_on = null, withdrawn_by = null where id = 900002"));
        assertEquals(NOT_ALLOWED, tried("m.tveit", "update reading_reading set withdrawn_on = null, withdrawn_by = null where id = 900002"));
    }

    @Test
    void whatIsRecordedStaysAsItIs() {
        for (String change : List.of("update plans_plan set worry = 'none' where student_id = :mine",
                "update goals_goal set goal_score = 41 where student_id = :mine",
                "update decisions_decision set kind = 'raise' where student_id = :mine", "update reading_mark set word = 1", "delete from tiers_opinion",
                "update measures_band set from_score = 1 where from_score is not null", "update norms_point set value = 1",
                "update reading_passage set body = 'else'", "update changes_change set reason = 'else'", "delete from measures_change",
                "update measures_ladder set grade = 1", "update reading_level set accuracy = 0")) {
            assertEquals(NOT_ALLOWED, tried("a.sandvik", change), change);
        }
    }

    @Test
    void nothingIsAddedToWhatIsWhole() {
        assertEquals(NOT_ALLOWED,
                tried("b.calder", "insert into reading_mark (reading_id, position, word, kind, at_seconds) values (900001, 1, 3, 'error', 2)"));
        assertEquals(NOT_ALLOWED, tried("a.sandvik", "insert into measures_band (ladder_id, position, name, tier, from_score) "
                + "select id, 7, 'More', 1, 200 from measures_ladder limit 1"));
        assertEquals(NOT_ALLOWED, tried("a.sandvik", "insert into norms_point (table_id, percentile, value) select id, 99, 1 from norms_table limit 1"));
        assertEquals(NOT_ALLOWED,
                tried("m.tveit", "insert into tiers_rule_measure (rule_id, measure_id, weight) select id, :oral, 9 from tiers_rule where area = 'Tamper'"));
    }

    @Test
    void phasesAndSessionsBelongToThePlanOfTheirStudent() {
        String session = "insert into plans_session (plan_root, student_id, on_day, given, known_from) values (900002, :mine, '2026-03-02', 3, '2026-03-02')";
        assertEquals(NOT_ALLOWED, tried("b.calder", session));
        assertEquals(NOT_ALLOWED, tried("b.calder", "insert into plans_phase (plan_root, student_id, measure_id, starts, strategy, per_week, known_from) "
                + "values (900002, :mine, :oral, '2026-03-02', 'Else', 3, '2026-03-02')"));
        assertEquals(NOT_ALLOWED,
                tried("b.calder", "insert into plans_plan (root, student_id, measure_id, worry, starts, ends, closed_on, outcome, known_from) "
                        + "values (900002, :mine, :oral, 'x', '2025-09-01', '2025-10-01', '2025-10-01', 'met', '2026-03-02')"));
        assertEquals("1 rows", tried("b.calder", session.replace("900002", "900001")), "one's own is no tampering");
    }

    @Test
    void theRosterIsAnAdministrators() {
        for (String login : List.of("b.calder", "m.tveit")) {
            assertEquals(NOTHING, tried(login, "update roster_student set given_name = 'Else' where id = :mine"));
            assertEquals(NOTHING, tried(login, "update roster_enrolment set ends = '2026-03-01' where student_id = :mine"));
            assertEquals(NOTHING, tried(login, "update roster_class set grade = 1"));
            assertEquals(NOT_ALLOWED,
                    tried(login, "insert into roster_enrolment (student_id, class_id, starts) select :mine, max(id), '2027-09-01' from roster_class"));
            assertEquals(NOT_ALLOWED, tried(login, "insert into roster_student (code, given_name, family_name) values ('X-1', 'X', 'Y')"));
            assertEquals(NOT_ALLOWED, tried(login, "insert into people_teaches (person_id, class_id) select scope_person(), max(id) from roster_class"));
            assertEquals(NOTHING, tried(login, "update people_person set role = 'administrator', school_id = null where id = scope_person()"));
        }
        assertEquals(NOT_ALLOWED, tried("a.sandvik", "delete from roster_student where id = :mine"));
    }

    @Test
    void passwordsAndSessionsAreOutOfReachOfWhatReadsRecords() {
        for (String reach : List.of("update people_person set password_hash = 'x' where id = scope_person()",
                "insert into people_device (token_hash, person_id) values ('x', scope_person())", "delete from spring_session",
                "insert into people_setup_link (token_hash) values ('x')", "update people_person set active = true")) {
            assertEquals(NOT_ALLOWED, tried("a.sandvik", reach), reach);
        }
        for (String read : List.of("select password_hash from people_person", "select session_id from spring_session", "select inner_pad::text from scope_key",
                "select login from people_signin_try")) {
            assertEquals(NOT_ALLOWED, tried("a.sandvik", "create temporary table seen on commit drop as " + read), read);
        }
        for (String table : List.of("roster_student", "scores_score", "reading_reading", "tiers_tier", "plans_plan")) {
            assertEquals(false, people.sql("select has_table_privilege('" + table + "', 'select') or has_any_column_privilege('" + table + "', 'select')")
                    .query(Boolean.class).single(), "the role that signs people in, on " + table);
        }
    }

    @Test
    void whatManyStandByIsNotATeachersToWrite() {
        for (String add : List.of("insert into measures_ladder (set_id, measure_id, grade, window_id, known_from) values (1, :oral, 9, :winter, '2026-03-13')",
                "insert into tiers_rule (school_id, area, rule, known_from) select id, 'X', 'most', '2026-03-13' from roster_school limit 1",
                "insert into norms_set (code, name, kind) values ('x', 'x', 'imported')",
                "insert into tiers_tier (student_id, window_id, area, outcome, tier, because, known_from) values (:mine, :winter, 'Maths', 'confirmed', 1, 'x', '2026-03-13')",
                "insert into plans_strategy (area, name) values ('X', 'X')",
                "insert into tiers_window_event (window_id, school_id, kind, on_day) select :winter, id, 'closed', '2026-03-13' from roster_school limit 1")) {
            assertEquals(NOT_ALLOWED, tried("b.calder", add), add);
        }
        for (String change : List.of("update measures_measure set highest = 1", "update measures_window set ends = starts",
                "update measures_cut_set set name = 'x'",
                "update reading_behaviour set teach = 'x'", "update plans_strategy set how = 'x'",
                "update tiers_tier set superseded_on = '2026-03-13', superseded_by = 1")) {
            assertEquals(NOTHING, tried("b.calder", change), change);
        }
    }

    @Test
    void whoAsksIsVouchedFor() {
        String rows = "create temporary table seen on commit drop as select id from roster_student";
        assertFalse(List.of(NOTHING, NOT_ALLOWED).contains(tried("b.calder", rows)));
        for (String claim : List.of("1:administrator:2026-03-13:99999999999:" + "0".repeat(64), "x", "0".repeat(64), ":::".repeat(30))) {
            assertEquals(NOT_ALLOWED, tried("b.calder", "do $$ begin perform set_config('ladder.claim', '" + claim
                    + "', true); perform count(*) from roster_student; end $$"), claim);
        }
        String mineAsAdministrator = "do $$ begin perform set_config('ladder.claim', replace(current_setting('ladder.claim'), 'teacher', 'administrator'), true); "
                + "perform count(*) from roster_student; end $$";
        assertEquals(NOT_ALLOWED, tried("b.calder", mineAsAdministrator));
    }

    /** Each table of the catalogue has policies, or says in its comment why it needs none. */
    @Test
    void everyTableHasAPolicyOrAReason() {
        record Table(String name, boolean secured, int policies, String comment) {}
        List<Table> tables = db.sql("""
                select c.relname::text as name, c.relrowsecurity as secured, (select count(*) from pg_policy p where p.polrelid = c.oid)::integer as policies,
                       coalesce(obj_description(c.oid), '') as comment
                  from pg_class c join pg_namespace n on n.oid = c.relnamespace
                 where n.nspname = 'public' and c.relkind in ('r', 'p') and not c.relispartition""").query(Table.class).list();
        assertTrue(tables.size() > 40, tables.size() + " tables");
        assertAll(tables.stream().map(t -> () -> assertTrue(t.secured() && t.policies() > 0 || t.comment().startsWith("Without policy: "), t.name())));
    }

    /** The rule of who sets things up stands in the database and in the server. */
    @Test
    void serverAndDatabaseAgreeOnWhoSetsUp() {
        take("school,name", "TAMPERS,Another school");
        Integer another = db.sql("select id from roster_school where code = 'TAMPERS'").query(Integer.class).single();
        for (String login : List.of("b.calder", "m.tveit", "a.sandvik")) {
            for (Integer school : new Integer[] {school(), another, null}) {
                boolean there = asking(person(login), () -> db.sql("select scope_sets_up(:school)").param("school", school, java.sql.Types.INTEGER)
                        .query(Boolean.class).single());
                assertEquals(asking(person(login), () -> rights.mayChange(school)), there, login + " " + school);
            }
        }
    }
}
