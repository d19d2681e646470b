package org.zealousladder.server.screening.standings;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessException;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.platform.who.Viewer;

/** What the database itself holds of screening: whose rows are seen, what cannot be changed, what cannot be at once. */
class ScreeningWallTest extends ScreeningTest {
    private int rows(Viewer viewer, String table, int student) {
        return asking(viewer, () -> db.sql("select count(*) from " + table + " where student_id = :id").param("id", student).query(Integer.class).single());
    }

    @Test
    void rowsOfOtherTeachersStudentsAreNotThere() throws Exception {
        newClass("2025-WALL", 3, "b.calder", "Kai");
        int student = student("Kai 2025-WALL");
        send(person("b.calder"), "/api/coverage/make-ups",
                Map.of("windowId", window("Winter"), "owed", List.of(Map.of("studentId", student, "measureId", measure("maze"))), "onDay", "2026-03-20"))
                .andExpect(status().isNoContent());
        send(person("b.calder"), "/api/tiers/opinions", Map.of("studentId", student, "window", window("Winter"), "area", "Reading", "tier", 2))
                .andExpect(status().isNoContent());
        send(person("m.tveit"), "/api/tiers", Map.of("who", "class-" + classId("2025-WALL"), "year", thisYear(), "window", window("Winter"), "area", "Reading",
                "decisions", List.of(Map.of("studentId", student, "outcome", "overridden", "tier", 2, "reason", "as seen in class"))))
                .andExpect(status().isOk());
        for (String table : List.of("coverage_makeup", "tiers_opinion", "tiers_tier")) {
            assertEquals(1, rows(person("b.calder"), table, student), table);
            assertEquals(1, rows(person("m.tveit"), table, student), table);
            assertEquals(0, rows(person("r.oduya"), table, student), table);
            Viewer elsewhere = new Viewer(person("r.oduya").id() + 100_000, "x", "X", Viewer.Role.COORDINATOR, 1);
            assertEquals(0, rows(elsewhere, table, student), table);
        }
        assertThrows(DataAccessException.class, () -> asking(person("r.oduya"), () -> db.sql("""
                insert into tiers_opinion (student_id, window_id, area, tier, known_from) values (:s, :w, 'Reading', 1, '2026-03-13')""")
                .param("s", student).param("w", window("Winter")).update()), "not even past the service");
    }

    /** The school's scores without names are for people of the school only. */
    @Test
    void anotherSchoolsScoresAreNotToBeHad() {
        take("school,name", "WALLS,Walls school");
        take("login,person,role,school", "w.alls,W. Alls,coordinator,WALLS", "w.teach,W. Teach,teacher,WALLS");
        String values = "select count(*) from scores_of_school(:school, :window, array[1, 2, 3, 4, 5, 6]::smallint[], array[2, 3, 4]::smallint[], '2026-03-13')";
        for (String login : List.of("w.alls", "w.teach")) {
            assertEquals(0,
                    asking(person(login), () -> db.sql(values).param("school", school()).param("window", window("Winter")).query(Integer.class).single()),
                    login);
        }
        int all = asking(person("m.tveit"), () -> db.sql(values).param("school", school()).param("window", window("Winter")).query(Integer.class).single());
        assertTrue(all > 600, all + " scores");
        assertEquals(all,
                asking(person("r.oduya"), () -> db.sql(values).param("school", school()).param("window", window("Winter")).query(Integer.class).single()),
                "a teacher of the school has them, too, without names");
    }

    @Test
    void decisionsAreAppendedNeverChanged() {
        for (String change : List.of("update tiers_tier set tier = 1", "delete from tiers_tier", "update tiers_window_event set kind = 'closed'",
                "delete from coverage_makeup",
                "update tiers_opinion set note = 'x'", "delete from measures_change", "update norms_point set value = 1")) {
            assertThrows(DataAccessException.class, () -> asking(person("a.sandvik"), () -> db.sql(change).update()), change);
        }
    }

    @Test
    void aRetestHasNoTierAndAnOverrideHasAReason() {
        int student = student("Noor Ellery");
        String insert = "insert into tiers_tier (student_id, window_id, area, outcome, tier, because, reason, known_from) values (:s, :w, 'Wall', :outcome, :tier, 'x', :reason, '2026-03-13')";
        for (Object[] bad : new Object[][] {{"retest", 2, null}, {"confirmed", null, null}, {"overridden", 2, null}, {"guessed", 2, "x"}}) {
            assertThrows(
                    DataAccessException.class, () -> asking(person("m.tveit"),
                            () -> db.sql(insert).param("s", student).param("w", window("Winter")).param("outcome", bad[0])
                                    .param("tier", bad[1], java.sql.Types.SMALLINT).param("reason", bad[2], java.sql.Types.VARCHAR).update()),
                    bad[0] + " " + bad[1]);
        }
    }

    @Test
    void whoMovedIsScreenedWhereTheyAreNow() {
        var kittiwake = body(read(person("r.oduya"), "/api/coverage" + scope("2025-KITTIWAKE", "&window=" + window("Autumn"))));
        assertEquals("came on 10 Nov 2025, after the window", of(kittiwake.get("apart"), "Marit Solano").get("why").asString());
        var fulmar = body(read(person("b.calder"), "/api/coverage" + scope("2025-FULMAR", "&window=" + window("Autumn"))));
        assertFalse(each(fulmar.get("apart")).anyMatch(a -> a.at("/student/name").asString().equals("Marit Solano")), "was there for the whole window");
        var whole = body(read(person("m.tveit"), "/api/coverage" + wholeSchool("&window=" + window("Autumn"))));
        assertFalse(each(whole.get("apart")).anyMatch(a -> a.at("/student/name").asString().equals("Marit Solano")), "within the school nobody came or left");
        var table = body(read(person("r.oduya"), "/api/table" + scope("2025-KITTIWAKE", "")));
        assertTrue(each(of(table.get("rows"), "Marit Solano").get("cells")).filter(c -> c.has("value")).count() >= 10, "the scores came along");
    }
}
