package org.zealousladder.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
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
class EveryRouteTest extends OtherSchool {
    private static final List<String> NAMES_OF_A_CASELOAD = List.of("/api/classes", "/api/coverage", "/api/coverage/untested.csv", "/api/engagement/attendance",
            "/api/engagement/effort", "/api/engagement/weeks", "/api/entry", "/api/ladder",
            "/api/plans", "/api/reading", "/api/report", "/api/reports", "/api/skills", "/api/skills/profiles", "/api/skills/{framework}/{skill}",
            "/api/skills/{framework}/{skill}/topic", "/api/small-groups", "/api/small-groups/worked", "/api/strip", "/api/students", "/api/table", "/api/tiers",
            "/api/trends/spans", "/api/work");

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
        shown.addAll(List.of("/api/checks/cards", "/api/compare", "/api/compare/behind", "/api/contacts", "/api/engagement/done", "/api/engagement/habits",
                "/api/meeting", "/api/skills/beside",
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
}
