package org.zealousladder.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
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

    private static final List<String> NAMES_OF_A_CASELOAD = List.of("/api/classes", "/api/coverage", "/api/coverage/untested.csv", "/api/entry", "/api/ladder",
            "/api/plans", "/api/reading", "/api/report", "/api/strip", "/api/students", "/api/table", "/api/tiers", "/api/trends/spans");

    /** What a route is asked with, by the name of the parameter; a new name has to be added. */
    private final Map<String, String> asked = new TreeMap<>(
            Map.of("area", "Reading", "asOf", "2026-03-13", "day", "2026-03-13", "from", "2025-09-01", "to", "2026-03-13",
                    "first", "50", "words", THEIRS, "find", THEIRS));

    private int number(String sql, String code) {
        return asking(Viewer.SYSTEM, () -> db.sql(sql).param("c", code).query(Integer.class).single());
    }

    private int foreign;
    private List<String> whos = new ArrayList<>();

    private void anotherSchool() throws Exception {
        take("school,name", "OUTER,Outer isle school");
        take("login,person,role,school", "o.teacher,O. Teacher,teacher,OUTER", "o.head,O. Head,coordinator,OUTER", "o.special,O. Special,teacher,OUTER",
                "e.special,E. Special,interventionist,SKERROW", "m.mixed,M. Mixed,teacher,SKERROW", "k.both,K. Both,teacher,SKERROW", "k.was,K. Was,coordinator,SKERROW");
        take("class,school,year,name,grade", "OUT-3,OUTER,2025-26,Outer three,3");
        take("login,role,school,from,to", "k.both,coordinator,OUTER,2026-01-05,2026-06-26", "k.was,coordinator,OUTER,2025-09-01,2026-03-12",
                "k.was,teacher,OUTER,2026-03-14,");
        take("login,class", "o.teacher,OUT-3", "m.mixed,2025-TERN", "k.both,2025-TERN");
        take("student,given_name,family_name,support", "OUT-1,Wren," + THEIRS + ",Speech", "OUT-2,Finch," + THEIRS + ",");
        take("student,class,from,to", "OUT-1,OUT-3,2025-08-25,", "OUT-2,OUT-3,2025-08-25,");
        take("student,measure,date,score", "OUT-1,oral-reading,2025-09-10,40", "OUT-1,oral-reading,2026-01-14,45", "OUT-2,oral-reading,2026-01-14,90",
                "OUT-1,oral-reading,2026-02-05,46", "OUT-1,oral-reading,2026-02-12,47", "OUT-1,oral-reading,2026-02-19,49", "OUT-1,oral-reading,2026-03-05,50");
        take("student,measure,start_date,start_score,goal_date,goal_score", "OUT-1,oral-reading,2026-01-14,45,2026-05-08,80");
        take("student,area,level,since,note", "OUT-1,Reading,2,2025-10-02,Reads slowly");
        take("student,measure,starts,ends,worry,strategy,per_week,minutes,leader,place,success,group",
                "OUT-1,oral-reading,2026-01-15,2026-05-08,Reads word by word,Repeated reading,3,20,O. Teacher,library,Few stops,");
        take("student,area,year,window,tier,decided,reason", "OUT-1,Reading,2025-26,Autumn,3,2025-10-01,");
        take("group,school,year,name,subject", "OUT-G,OUTER,2025-26,Outer readers,Reading", "TERN-G,SKERROW,2025-26,Tern readers,Reading");
        take("student,group,from,to", "OUT-1,OUT-G,2025-09-01,", "S1003,TERN-G,2025-09-01,");
        take("login,group,from,to", "o.teacher,OUT-G,2025-09-01,", "m.mixed,TERN-G,2025-09-01,");
        take("caseload_of,student,from,to", "o.special,OUT-2,2025-09-01,", "e.special,S1003,2025-09-01,", "m.mixed,S1050,2025-09-01,");
        signOutHere();
        foreign = number("select id from roster_student where code = :c", "OUT-1");
        int school = number("select id from roster_school where code = :c", "OUTER");
        asked.put("year", String.valueOf(thisYear()));
        asked.put("measure", String.valueOf(measure("oral-reading")));
        asked.put("school", String.valueOf(school));
        asked.put("student", String.valueOf(foreign));
        asked.put("students", String.valueOf(foreign));
        asked.put("window", String.valueOf(
                number("select w.id from measures_window w join roster_year y on y.id = w.year_id and y.name = '2025-26' where w.name = :c", "Winter")));
        whos = List.of("class-" + number("select id from roster_class where code = :c", "OUT-3"),
                "group-" + number("select id from roster_group where code = :c", "OUT-G"),
                "caseload-" + person("o.special").id(), "school-" + school, "grade-3-" + school);
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
        shown.addAll(List.of("/api/meeting", "/api/students/{id}", "/api/trends", "/api/trends/{student}/{measure}"));
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
}
