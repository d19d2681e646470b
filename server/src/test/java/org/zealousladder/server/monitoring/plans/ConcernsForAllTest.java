package org.zealousladder.server.monitoring.plans;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** One concern for many: whom it would be for, for whom it is, and taken back. */
class ConcernsForAllTest extends ScreeningTest {
    private Map<String, Object> form(List<Integer> students, int level, boolean save) {
        return new HashMap<>(Map.of("students", students, "area", "Attention", "level", level, "note", "after the storm", "save", save));
    }

    @Test
    void whoHasOneKeepsIt() throws Exception {
        take("login,person,role,school", "c.all,Cora All,teacher,SKERROW");
        newClass("CALL", 3, "c.all", "Ada", "Ben", "Cem", "Dora");
        Viewer teacher = person("c.all");
        List<Integer> all = asking(Viewer.SYSTEM,
                () -> db.sql("select student_id from roster_enrolment where class_id = :c order by 1").param("c", classId("CALL"))
                        .query(Integer.class).list());
        send(teacher, "/api/plans/concerns", Map.of("studentId", all.get(0), "area", "Attention", "level", 3));
        send(teacher, "/api/plans/concerns", Map.of("studentId", all.get(1), "area", "Attention", "level", 0));
        JsonNode looked = body(send(teacher, "/api/plans/concerns/all", form(all, 2, false)));
        assertEquals(List.of(all.get(2), all.get(3)), numbers(looked));
        assertEquals(2, looked.path("kept").asInt());
        assertEquals(0, count(all, 2), "nothing is set by looking");
        JsonNode set = body(send(teacher, "/api/plans/concerns/all", form(all, 2, true)));
        assertEquals(numbers(looked), numbers(set));
        assertEquals(2, count(all, 2));
        assertEquals(1, count(all, 3), "who had one keeps it");
        assertEquals(0, body(send(teacher, "/api/plans/concerns/all", form(all, 1, true))).path("set").size(), "nobody twice");
        assertEquals(2, body(send(teacher, "/api/plans/concerns/taken-back", Map.of("students", numbers(set), "area", "Attention"))).path("students").asInt());
        assertEquals(0, count(all, 2));
        assertEquals(1, count(all, 3), "what was said before stays");
        assertEquals(3, count(all, 0), "it stands that there is none");
        assertEquals(4, body(send(teacher, "/api/plans/concerns/all", form(all, 2, false))).path("kept").asInt(), "which is not set over unasked");
    }

    private static List<Integer> numbers(JsonNode of) {
        List<Integer> all = new ArrayList<>();
        of.path("set").forEach(n -> all.add(n.asInt()));
        return all;
    }

    private int count(List<Integer> students, int level) {
        return asking(Viewer.SYSTEM,
                () -> db.sql("select count(*)::integer from plans_concern where student_id = any(:s) and level = :l and superseded_by is null")
                        .param("s", students.toArray(Integer[]::new)).param("l", level).query(Integer.class).single());
    }

    @Test
    void onlyForOnesOwnAndOnlyALevelThereIs() throws Exception {
        int zuri = student("Zuri Halloran");
        send(person("r.oduya"), "/api/plans/concerns/all", form(List.of(zuri), 0, true)).andExpect(refused("422 invalid level"));
        int stranger = asking(Viewer.SYSTEM, () -> db.sql("select student_id from roster_enrolment where class_id = :c order by 1 limit 1")
                .param("c", classId("2025-TERN")).query(Integer.class).single());
        send(person("r.oduya"), "/api/plans/concerns/all", form(List.of(zuri, stranger), 1, true)).andExpect(refused("403 forbidden"));
    }
}
