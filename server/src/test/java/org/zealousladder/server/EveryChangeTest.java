package org.zealousladder.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** No route lets anybody change the records of a school that is not theirs. */
class EveryChangeTest extends OtherSchool {
    /** What the coordinator there does with such requests: without these the walk of the strangers would prove nothing. */
    private static final List<String> DONE_BY_THEIR_OWN = List.of("post /api/calendar/spans", "post /api/caseloads/{person}/students",
            "post /api/coverage/make-ups",
            "post /api/engagement/senders/verbs", "post /api/goals/{id}/withdrawal", "post /api/groupings", "post /api/groups", "post /api/groups/{id}/members",
            "post /api/plans/sessions", "post /api/scores", "post /api/scores/{id}/corrections", "post /api/strip", "post /api/strip/form",
            "post /api/strip/median",
            "post /api/students/{id}/grouped", "post /api/tiers/closing", "put /api/calendar/{school}/week", "put /api/groups/{id}/ends");

    /** Not about records: signing in, one's own account, files that wait, and what only reckons. */
    private static final Pattern OWN = Pattern
            .compile("/api/(session|account|setup$|join|passkey|history/prints|records/imports|records/matchings|records/done).*");

    /** What the other school has, by the beginning of the address that names it. */
    private final Map<String, Integer> theirs = new java.util.LinkedHashMap<>();

    private SampleBodies bodies(JsonNode description) {
        int year = thisYear();
        int school = Integer.parseInt(asked.get("school"));
        int class_ = number("select id from roster_class where code = :c", mine("OUT-3"));
        int teacher = person(mine("o.teacher")).id();
        theirs.put("/api/students/", foreign);
        theirs.put("/api/trends/", foreign);
        theirs.put("/api/classes/", class_);
        theirs.put("/api/groups/", number("select id from roster_group where code = :c", mine("OUT-G")));
        theirs.put("/api/caseloads/", person(mine("o.special")).id());
        theirs.put("/api/people/", teacher);
        theirs.put("/api/calendar/", school);
        theirs.put("/api/scores/", number(
                "select c.id::integer from scores_score c join roster_student s on s.id = c.student_id and s.code = :c order by 1 limit 1", mine("OUT-1")));
        theirs.put("/api/goals/", number("select c.id::integer from goals_goal c join roster_student s on s.id = c.student_id and s.code = :c", mine("OUT-1")));
        theirs.put("/api/plans/", number("select c.id::integer from plans_plan c join roster_student s on s.id = c.student_id and s.code = :c", mine("OUT-1")));
        Map<String, Object> named = new java.util.HashMap<>();
        List.of("studentId", "student").forEach(n -> named.put(n, foreign));
        List.of("students", "studentIds").forEach(n -> named.put(n, List.of(foreign)));
        List.of("school", "schoolId").forEach(n -> named.put(n, school));
        List.of("year", "yearId").forEach(n -> named.put(n, year));
        List.of("classId", "into", "from").forEach(n -> named.put(n, class_));
        named.put("teachers", List.of(teacher));
        named.put("who", "class-" + class_);
        named.put("area", "Reading");
        List.of("measure", "measureId").forEach(n -> named.put(n, measure("oral-reading")));
        List.of("window", "windowId").forEach(n -> named.put(n, Integer.parseInt(asked.get("window"))));
        named.put("value", 52);
        named.put("scores",
                List.of(number("select c.id::integer from scores_score c join roster_student s on s.id = c.student_id and s.code = :c order by 1 limit 1",
                        mine("OUT-2"))));
        named.put("plan", theirs.get("/api/plans/"));
        named.put("planId", theirs.get("/api/plans/"));
        named.put("plans", List.of(theirs.get("/api/plans/")));
        named.put("level", 2);
        named.put("grouping", 1);
        named.put("sure", true);
        // A day where it is one: 'from' is a class in one form, a day in the others.
        named.remove("from");
        return new SampleBodies(json, description, named);
    }

    private String address(String path) {
        String at = path;
        for (Map.Entry<String, Integer> t : theirs.entrySet()) {
            if (at.startsWith(t.getKey())) {
                at = at.replaceFirst("\\{[a-zA-Z]+}", String.valueOf(t.getValue()));
            }
        }
        return at.replace("{student}", String.valueOf(foreign)).replace("{measure}", String.valueOf(measure("oral-reading"))).replaceAll("\\{[a-zA-Z]+}",
                "999999");
    }

    /** Everything on record about the other school, its classes and groups, its students and its people. */
    private String aboutThem() {
        return asking(Viewer.SYSTEM, () -> {
            StringBuilder all = new StringBuilder();
            for (String table : db.sql("""
                    select c.oid::regclass::text from pg_class c where c.relkind = 'r' and c.relnamespace = 'public'::regnamespace and has_table_privilege(c.oid, 'select')
                       and c.relname not like 'audit%' and c.relname not like 'once%' and c.relname <> 'flyway_schema_history' order by 1""")
                    .query(String.class).list()) {
                all.append(table).append(db.sql("""
                        select coalesce(md5(string_agg(x::text, '|' order by x::text)), '') from (select to_jsonb(t) as x from %s t) y
                         where x ->> 'student_id' in (:f, :g) or x ->> 'school_id' = :s or x ->> 'class_id' = :c or x ->> 'group_id' = :p
                            or '%s' = 'roster_student' and x ->> 'id' in (:f, :g)""".formatted(table, table)).param("f", String.valueOf(foreign))
                        .param("g", String.valueOf(number("select id from roster_student where code = :c", mine("OUT-2")))).param("s", asked.get("school"))
                        .param("c", String.valueOf(theirs.get("/api/classes/"))).param("p", String.valueOf(theirs.get("/api/groups/"))).query(String.class)
                        .single())
                        .append('\n');
            }
            return all.toString();
        });
    }

    /** @return the routes by which something was done, with what was answered to the others */
    private TreeSet<String> doing(Viewer who, JsonNode description, SampleBodies bodies, Map<Integer, Integer> answered) throws Exception {
        TreeSet<String> done = new TreeSet<>();
        for (var path : description.get("paths").properties()) {
            for (var operation : path.getValue().properties()) {
                if (operation.getKey().equals("get") || OWN.matcher(path.getKey()).matches()) {
                    continue;
                }
                var request = request(HttpMethod.valueOf(operation.getKey().toUpperCase(Locale.ROOT)), address(path.getKey())).contentType("application/json")
                        .content(bodies.of(operation.getValue()).toString());
                int status = call(who, request).andReturn().getResponse().getStatus();
                assertTrue(status < 500, operation.getKey() + " " + path.getKey() + " " + status);
                answered.merge(status, 1, Integer::sum);
                if (status < 300) {
                    done.add(operation.getKey() + " " + path.getKey());
                }
            }
        }
        return done;
    }

    @Test
    void nobodyChangesAnotherSchoolsRecordsByAnyRoute() throws Exception {
        letter = "x";
        anotherSchool();
        JsonNode description = json.readTree(Files.readString(Path.of("..", "web", "openapi.json")));
        SampleBodies bodies = bodies(description);
        String before = aboutThem();
        for (String login : List.of("b.calder", "e.special", "m.mixed", "k.was", "m.tveit")) {
            Map<Integer, Integer> answered = new TreeMap<>();
            TreeSet<String> done = doing(person(mine(login)), description, bodies, answered);
            assertEquals(before, aboutThem(), login + " changed something by " + done);
            // What is well-formed was asked, and refused for whose it is.
            assertTrue(answered.getOrDefault(403, 0) + answered.getOrDefault(404, 0) > 40, login + " " + answered);
            done.removeIf(r -> r.contains("preview") || r.contains("effect"));
            assertEquals(DONE_BY_STRANGERS, done, login);
        }
        // The same requests do change something where they may.
        Map<Integer, Integer> answered = new TreeMap<>();
        TreeSet<String> done = doing(person(mine("o.head")), description, bodies, answered);
        assertTrue(done.containsAll(DONE_BY_THEIR_OWN), done + " " + answered);
        assertNotEquals(before, aboutThem());
    }

    private static final TreeSet<String> DONE_BY_STRANGERS = new TreeSet<>();
}
