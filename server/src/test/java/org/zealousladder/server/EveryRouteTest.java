package org.zealousladder.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import org.springframework.mock.web.MockHttpServletResponse;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/**
 * Walks every route that shows something, with every role and with somebody who has several things at once, asking for what is another school's. The description of
 * the interface tells the routes, so that a new one is walked without being named here.
 */
class EveryRouteTest extends ScreeningTest {
    private static final String THEIRS = "Quillfeather";
    private static final String OURS = "Hale";

    private static final List<String> NAMES_OF_A_CASELOAD = List.of("/api/classes", "/api/coverage", "/api/coverage/untested.csv", "/api/engagement/attendance",
            "/api/engagement/effort", "/api/engagement/weeks", "/api/entry", "/api/ladder",
            "/api/plans", "/api/reading", "/api/report", "/api/skills", "/api/skills/profiles", "/api/skills/{framework}/{skill}",
            "/api/skills/{framework}/{skill}/topic", "/api/small-groups", "/api/small-groups/worked", "/api/strip", "/api/students", "/api/table", "/api/tiers",
            "/api/trends/spans", "/api/work");

    /** What a route is asked with, by the name of the parameter; a new name has to be added. */
    private final Map<String, String> asked = new TreeMap<>(
            Map.of("area", "Reading", "asOf", "2026-03-13", "day", "2026-03-13", "from", "2025-09-01", "to", "2026-03-13",
                    "first", "50", "words", THEIRS, "find", THEIRS));

    private int number(String sql, String code) {
        return asking(Viewer.SYSTEM, () -> db.sql(sql).param("c", code).query(Integer.class).single());
    }

    /** What is changed by one test is not what another looks at: each has a school of its own, told apart by a letter. */
    private String letter = "";

    private String mine(String text) {
        String own = text;
        for (String name : List.of("OUT", "TERN-G", "Tern readers", "Outer isle school", "o.teacher", "o.head", "o.special", "e.special", "m.mixed", "k.both",
                "k.was", THEIRS)) {
            own = own.replace(name, name + letter);
        }
        return own;
    }

    private void given(String... lines) {
        take(Stream.of(lines).map(this::mine).toArray(String[]::new));
    }

    private int foreign;
    private List<String> whos = new ArrayList<>();

    private void anotherSchool() throws Exception {
        given("school,name", "OUTER,Outer isle school");
        given("login,person,role,school", "o.teacher,O. Teacher,teacher,OUTER", "o.head,O. Head,coordinator,OUTER", "o.special,O. Special,teacher,OUTER",
                "e.special,E. Special,interventionist,SKERROW", "m.mixed,M. Mixed,teacher,SKERROW", "k.both,K. Both,teacher,SKERROW",
                "k.was,K. Was,coordinator,SKERROW");
        given("class,school,year,name,grade", "OUT-3,OUTER,2025-26,Outer three,3");
        given("login,role,school,from,to", "k.both,coordinator,OUTER,2026-01-05,2026-06-26", "k.was,coordinator,OUTER,2025-09-01,2026-03-12",
                "k.was,teacher,OUTER,2026-03-14,");
        given("login,class", "o.teacher,OUT-3", "m.mixed,2025-TERN", "k.both,2025-TERN");
        given("student,given_name,family_name,support", "OUT-1,Wren," + THEIRS + ",Speech", "OUT-2,Finch," + THEIRS + ",");
        given("student,class,from,to", "OUT-1,OUT-3,2025-08-25,", "OUT-2,OUT-3,2025-08-25,");
        given("student,measure,date,score", "OUT-1,oral-reading,2025-09-10,40", "OUT-1,oral-reading,2026-01-14,45", "OUT-2,oral-reading,2026-01-14,90",
                "OUT-1,oral-reading,2026-02-05,46", "OUT-1,oral-reading,2026-02-12,47", "OUT-1,oral-reading,2026-02-19,49", "OUT-1,oral-reading,2026-03-05,50");
        given("student,measure,start_date,start_score,goal_date,goal_score", "OUT-1,oral-reading,2026-01-14,45,2026-05-08,80");
        given("student,area,level,since,note", "OUT-1,Reading,2,2025-10-02,Reads slowly");
        given("student,measure,starts,ends,worry,strategy,per_week,minutes,leader,place,success,group",
                "OUT-1,oral-reading,2026-01-15,2026-05-08,Reads word by word,Repeated reading,3,20,O. Teacher,library,Few stops,");
        given("student,area,year,window,tier,decided,reason", "OUT-1,Reading,2025-26,Autumn,3,2025-10-01,");
        List<String> done = new ArrayList<>(List.of("student,date,time,kind,minutes"));
        for (int d = 2; d < 14; d++) {
            done.add("OUT-1,2026-03-%02d,10:00,reading,20".formatted(d));
            done.add("OUT-2,2026-03-%02d,10:00,reading,20".formatted(d));
            done.add("OUT-1,2026-03-%02d,10:30,practice,20".formatted(d));
        }
        given(done.toArray(String[]::new));
        given("work,class,title,work_kind,due,possible", "OUT-W1,OUT-3,Outer log,homework,2026-03-06,10");
        given("student,work,handed_in,points", "OUT-2,OUT-W1,2026-03-05,7");
        given("student,date,way,whom,words", "OUT-1,2026-03-04,call,home,Glad to hear");
        given("student,date,status", "OUT-1,2026-03-03,absent", "OUT-2,2026-03-03,late");
        given("group,school,year,name,subject", "OUT-G,OUTER,2025-26,Outer readers,Reading", "TERN-G,SKERROW,2025-26,Tern readers,Reading");
        given("student,group,from,to", "OUT-1,OUT-G,2025-09-01,", "S1003,TERN-G,2025-09-01,");
        given("login,group,from,to", "o.teacher,OUT-G,2025-09-01,", "m.mixed,TERN-G,2025-09-01,");
        given("caseload_of,student,from,to", "o.special,OUT-2,2025-09-01,", "e.special,S1003,2025-09-01,", "m.mixed,S1050,2025-09-01,");
        given("framework,framework_name,of_school", "OUT-F,Outer skills,OUTER");
        given("framework,skill,skill_name,area,domain", "OUT-F,OUT-K,Outer knots,Reading,Knots");
        given("item,prompt,item_kind,of_school", "OUT-I,Which knot?,text,OUTER");
        given("item,skill", "OUT-I,OUT-K");
        given("check_code,check_name,of_school", "OUT-C,Outer check,OUTER");
        given("check_code,item", "OUT-C,OUT-I");
        given("student,item,date,points,answer,check_code", "OUT-1,OUT-I,2026-03-03,1,bowline,OUT-C", "OUT-1,OUT-I,2026-03-04,1,bowline,OUT-C",
                "OUT-1,OUT-I,2026-03-05,0,reef,OUT-C", "OUT-2,OUT-I,2026-03-05,1,bowline,OUT-C");
        signOutHere();
        foreign = number("select id from roster_student where code = :c", mine("OUT-1"));
        int school = number("select id from roster_school where code = :c", mine("OUTER"));
        asked.put("year", String.valueOf(thisYear()));
        asked.put("measure", String.valueOf(measure("oral-reading")));
        asked.put("school", String.valueOf(school));
        asked.put("student", String.valueOf(foreign));
        asked.put("students", String.valueOf(foreign));
        asked.put("framework", String.valueOf(number("select id from skills_framework where code = :c", mine("OUT-F"))));
        asked.put("skill", String.valueOf(number("select id from skills_skill where code = :c", mine("OUT-K"))));
        asked.put("check", String.valueOf(number("select id from skills_check where code = :c", mine("OUT-C"))));
        asked.put("class", String.valueOf(number("select id from roster_class where code = :c", mine("OUT-3"))));
        asked.put("a", "student-" + foreign);
        asked.put("b", "student-" + foreign);
        asked.put("window", String.valueOf(
                number("select w.id from measures_window w join roster_year y on y.id = w.year_id and y.name = '2025-26' where w.name = :c", "Winter")));
        whos = List.of("class-" + number("select id from roster_class where code = :c", mine("OUT-3")),
                "group-" + number("select id from roster_group where code = :c", mine("OUT-G")),
                "caseload-" + person(mine("o.special")).id(), "school-" + school, "grade-3-" + school);
    }

    private record Asking(String path, String address) {}

    /** Every request that shows something, once for each whom it can be asked about. */
    private List<Asking> requests() throws Exception {
        JsonNode paths = json.readTree(Files.readString(Path.of("..", "web", "openapi.json"))).get("paths");
        List<Asking> all = new ArrayList<>();
        TreeSet<String> unknown = new TreeSet<>();
        paths.properties().stream().filter(p -> p.getValue().has("get")).forEach(p -> {
            StringBuilder query = new StringBuilder();
            String path = p.getKey();
            boolean ofSomebody = false;
            for (JsonNode parameter : p.getValue().get("get").path("parameters")) {
                String name = parameter.get("name").asString();
                if (parameter.get("in").asString().equals("path")) {
                    String value = name.equals("id") ? path.startsWith("/api/students/") ? String.valueOf(foreign) : "1"
                            : name.equals("kind") ? "scores" : asked.get(name);
                    path = path.replace("{" + name + "}", value == null ? "1" : value);
                } else if (name.equals("who")) {
                    ofSomebody = true;
                } else if (name.equals("kind") && parameter.get("required").asBoolean()) {
                    query.append("&kind=look");
                } else if (asked.containsKey(name)) {
                    query.append('&').append(name).append('=').append(asked.get(name));
                } else if (parameter.path("required").asBoolean()) {
                    unknown.add(name);
                }
            }
            for (String who : ofSomebody ? whos : List.of("")) {
                all.add(new Asking(p.getKey(), path + "?" + (who.isEmpty() ? "" : "who=" + who) + query));
            }
        });
        assertEquals(new TreeSet<>(), unknown, "say above what these parameters are asked with");
        return all;
    }

    private static String text(MockHttpServletResponse answer) throws Exception {
        byte[] bytes = answer.getContentAsByteArray();
        if (bytes.length < 2 || bytes[0] != 'P' || bytes[1] != 'K') {
            return new String(bytes, StandardCharsets.UTF_8);
        }
        StringBuilder all = new StringBuilder();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(bytes))) {
            for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
                all.append(new String(zip.readAllBytes(), StandardCharsets.UTF_8));
            }
        }
        return all.toString();
    }

    /** The routes that show a name to somebody. */
    private TreeSet<String> showing(String name, Viewer who, List<Asking> requests) throws Exception {
        TreeSet<String> shown = new TreeSet<>();
        for (Asking a : requests) {
            MockHttpServletResponse answer = read(who, a.address()).andReturn().getResponse();
            assertTrue(answer.getStatus() < 500, a.address() + " " + answer.getStatus());
            if (text(answer).contains(name)) {
                shown.add(a.path());
            }
        }
        return shown;
    }

    @Test
    void nobodyIsShownAnotherSchoolsStudentsByAnyRoute() throws Exception {
        anotherSchool();
        List<Asking> requests = requests();
        assertTrue(requests.size() > 100, requests.size() + " requests");
        // What its own people see by them: else the walk would prove nothing.
        TreeSet<String> theirs = showing(THEIRS, person("o.head"), requests);
        TreeSet<String> shown = new TreeSet<>(NAMES_OF_A_CASELOAD);
        assertEquals(shown, showing(THEIRS, person("o.special"), requests), "a caseload of one, who has no plan");
        shown.addAll(List.of("/api/checks/cards", "/api/contacts", "/api/engagement/done", "/api/engagement/habits", "/api/meeting", "/api/skills/beside",
                "/api/skills/students/{student}",
                "/api/students/{id}", "/api/trends",
                "/api/trends/{student}/{measure}"));
        assertEquals(shown, showing(THEIRS, person("o.teacher"), requests));
        shown.addAll(List.of("/api/records/roster.zip", "/api/tiers/closing"));
        assertEquals(shown, theirs);
        assertEquals(shown, showing(THEIRS, person("k.both"), requests), "a coordinator there, a teacher here");
        assertTrue(showing(THEIRS, person("a.sandvik"), requests).containsAll(theirs));
        for (String login : List.of("i.mensah", "b.calder", "e.special", "m.mixed", "m.tveit", "k.was")) {
            assertEquals(new TreeSet<>(), showing(THEIRS, person(login), requests), login);
        }
        for (String login : List.of("o.teacher", "o.special", "o.head")) {
            assertEquals(new TreeSet<>(), showing(OURS, person(login), requests), login);
        }
    }

    @Test
    void whoHasAClassAGroupAndACaseloadSeesAllThreeAndNothingElse() throws Exception {
        anotherSchool();
        Viewer mixed = person("m.mixed");
        List<Integer> seen = asking(mixed, () -> db.sql("select id from roster_student order by id").query(Integer.class).list());
        List<Integer> own = asking(Viewer.SYSTEM, () -> db
                .sql("""
                select s.id from roster_student s where s.code in ('S1003', 'S1050')
                   or exists (select from roster_enrolment e join roster_class c on c.id = e.class_id where e.student_id = s.id and c.code = '2025-TERN') order by s.id""")
                .query(Integer.class).list());
        assertEquals(own, seen);
        JsonNode scope = body(read(mixed, "/api/scope").andExpect(status().isOk()));
        assertEquals(List.of(1, 1, 1), List.of(scope.get("classes").size(), scope.get("groups").size(), scope.get("caseloads").size()));
    }

    /** What the coordinator there does with such requests: without these the walk of the strangers would prove nothing. */
    private static final List<String> DONE_BY_THEIR_OWN = List.of("post /api/calendar/spans", "post /api/caseloads/{person}/students",
            "post /api/coverage/make-ups",
            "post /api/engagement/senders/verbs", "post /api/goals/{id}/withdrawal", "post /api/groupings", "post /api/groups", "post /api/groups/{id}/members",
            "post /api/plans/sessions", "post /api/scores", "post /api/scores/{id}/corrections", "post /api/strip", "post /api/strip/median",
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
