package org.zealousladder.server.school.people;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.Map;
import org.hamcrest.Matchers;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatusCode;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.platform.who.Viewer;

/** Who gets in, and who sees what: at the door, in the services, and again in the database. */
class AccessTest extends ServerTest {
    @Autowired
    private AccountService accounts;
    @Autowired
    private PeopleService service;
    @Autowired
    private RequestMappingHandlerMapping requestMappingHandlerMapping;

    @Test
    void everyRouteBehindTheDoorAsksWhoYouAre() throws Exception {
        signOutHere();
        List<String> open = List.of("/api/session", "/api/setup", "/api/join", "/api/join/look", "/api/health", "/api/passkey/options", "/api/passkey/session",
                "/api/elsewhere",
                "/api/elsewhere/back", "/api/taking/sign-in");
        int walked = 0;
        for (var mapping : requestMappingHandlerMapping.getHandlerMethods().keySet()) {
            for (String path : mapping.getPatternValues()) {
                if (path.startsWith("/api/") && !open.contains(path) && !path.startsWith("/api/openapi")) {
                    String concrete = path.replaceAll("\\{[^}]*}", "1");
                    boolean reads = mapping.getMethodsCondition().getMethods().stream().anyMatch(m -> m.name().equals("GET"));
                    http.perform(reads ? get(concrete) : post(concrete).with(csrf())).andExpect(status().isUnauthorized())
                            .andExpect(jsonPath("$.type").value("urn:zealous-ladder:sign-in"));
                    walked++;
                }
            }
        }
        assertTrue(walked >= 14, "walked " + walked);
    }

    /** Every route that names a scope or a student, with every role, on what is not theirs. */
    @Test
    void nobodySeesWhatIsNotTheirs() throws Exception {
        Viewer stranger = person("b.calder");
        String kittiwake = "?who=class-" + classId("2025-KITTIWAKE") + "&year=" + thisYear() + "&asOf=2026-03-13&measure=1";
        int school = db.sql("select id from roster_school where code = 'SKERROW'").query(Integer.class).single();
        String wholeSchool = "?who=school-" + school + "&year=" + thisYear() + "&asOf=2026-03-13&measure=1";
        for (String route : List.of("/api/desk", "/api/ladder", "/api/trends", "/api/records/scores.csv")) {
            read(stranger, route + kittiwake).andExpect(status().isForbidden())
                    .andExpect(jsonPath("$.detail").value(Matchers.containsString("not one of yours")));
            read(stranger, route + wholeSchool).andExpect(status().isForbidden());
            for (String login : List.of("r.oduya", "i.mensah", "m.tveit", "a.sandvik")) {
                read(person(login), route + kittiwake).andExpect(status().isOk());
            }
            read(person("m.tveit"), route + wholeSchool).andExpect(status().isOk());
            read(person("a.sandvik"), route + wholeSchool).andExpect(status().isOk());
            Viewer elsewhere = new Viewer(person("m.tveit").id(), "x", "X", Viewer.Role.COORDINATOR, school + 1);
            read(elsewhere, route + wholeSchool).andExpect(status().isForbidden());
        }
        int student = student("Sunniva Hale");
        read(stranger, "/api/students/" + student + "?asOf=2026-03-13").andExpect(status().isNotFound());
        read(stranger, "/api/trends/" + student + "/1?asOf=2026-03-13").andExpect(status().isNotFound());
        send(stranger, "/api/scores", Map.of("studentId", student, "measureId", 1, "takenOn", "2026-03-13", "value", 60, "status", "scored"))
                .andExpect(status().isForbidden());
        send(stranger, "/api/goals",
                Map.of("studentId", student, "measureId", 1, "startDate", "2026-01-08", "startScore", 60, "goalDate", "2026-05-08", "goalScore", 90))
                .andExpect(status().isForbidden());
        send(stranger, "/api/decisions", Map.of("studentId", student, "measureId", 1, "kind", "hold", "proposed", "change", "because", "x"))
                .andExpect(status().isForbidden());
        assertEquals(0, body(read(stranger, "/api/students?find=sunniva%20hale&asOf=2026-03-13")).size());
        String csv = read(stranger,
                "/api/records/scores.csv?who=class-" + classId("2025-FULMAR") + "&year=" + thisYear() + "&asOf=2026-03-13&students=" + student)
                .andReturn().getResponse().getContentAsString();
        assertEquals(1, csv.lines().count(), "a picked student of somebody else's is left out");
    }

    @Test
    void theDatabaseIsASecondWall() {
        Viewer teacher = person("r.oduya");
        int foreign = asking(Viewer.SYSTEM, () -> db.sql("""
                select s.id from roster_student s join roster_enrolment e on e.student_id = s.id join roster_class c on c.id = e.class_id
                 where c.code = '2025-GANNET' limit 1""").query(Integer.class).single());
        for (String table : List.of("scores_score", "goals_goal", "decisions_decision", "roster_enrolment")) {
            assertEquals(0, asking(teacher, () -> db.sql("select count(*) from " + table + " where student_id = :id").param("id", foreign)
                    .query(Integer.class).single()), table);
            signOutHere();
            assertEquals(0, db.sql("select count(*) from " + table).query(Integer.class).single(), table + " to nobody");
            signInHere(Viewer.SYSTEM);
        }
        assertThrows(DataAccessException.class, () -> asking(teacher, () -> db.sql("""
                insert into scores_score (student_id, measure_id, taken_on, value, status, source, known_from)
                values (:id, 1, '2026-03-02', 1, 'scored', 'entered', '2026-03-02')""").param("id", foreign).update()));
    }

    @Test
    void scoresAreAppendOnlyAlsoForAnAdministrator() {
        assertThrows(DataAccessException.class, () -> asking(Viewer.SYSTEM, () -> db.sql("update scores_score set value = 1").update()));
        assertThrows(DataAccessException.class, () -> asking(Viewer.SYSTEM, () -> db.sql("delete from scores_score").update()));
    }

    @Test
    void passwordsAreCheckedAndTriesAreHeldBack() throws Exception {
        accounts.setPassword("t.sato", "three words in a row");
        signOutHere();
        String right = "{\"login\":\"T.Sato\",\"password\":\"three words in a row\"}";
        String wrong = "{\"login\":\"t.sato\",\"password\":\"three words\"}";
        http.perform(post("/api/session").with(csrf()).contentType("application/json").content(right)).andExpect(status().isOk())
                .andExpect(jsonPath("$.person.role").value("teacher"));
        for (int i = 0; i < 5; i++) {
            signOutHere();
            http.perform(post("/api/session").with(csrf()).contentType("application/json").content(wrong)).andExpect(status().isUnauthorized());
        }
        http.perform(post("/api/session").with(csrf()).contentType("application/json").content(right)).andExpect(status().isTooManyRequests());
        people.sql("delete from people_signin_try").update();
        http.perform(post("/api/session").with(csrf()).contentType("application/json").content(right)).andExpect(status().isOk());
    }

    @Test
    void outsideTheDemoNobodySignsInWithoutAPassword() throws Exception {
        signOutHere();
        http.perform(post("/api/session").with(csrf()).contentType("application/json").content("{\"login\":\"r.oduya\"}"))
                .andExpect(status().isUnprocessableContent());
        http.perform(post("/api/session").with(csrf()).contentType("application/json").content("{\"login\":\"r.oduya\",\"password\":\"x\"}"))
                .andExpect(status().is(HttpStatusCode.valueOf(401).value()));
    }

    @Test
    void aRequestWithoutTheTokenIsRefused() throws Exception {
        http.perform(post("/api/session").contentType("application/json").content("{}")).andExpect(status().isForbidden());
    }

    @Test
    void thePagesComeWithAStrictPolicy() throws Exception {
        http.perform(get("/desk")).andExpect(status().isOk())
                .andExpect(header().string("Content-Security-Policy", Matchers.allOf(Matchers.containsString("script-src 'self';"),
                        Matchers.containsString("frame-ancestors 'none'"), Matchers.not(Matchers.containsString("unsafe")))));
        http.perform(get("/api/health")).andExpect(status().isOk()).andExpect(header().string("X-Content-Type-Options", "nosniff"));
    }

    @Test
    void theSetupLinkIsForNobodyOnceThereIsSomebody() throws Exception {
        String token = service.newSetupToken();
        http.perform(post("/api/setup").with(csrf()).contentType("application/json")
                .content("{\"token\":\"" + token + "\",\"login\":\"eve\",\"name\":\"Eve\",\"password\":\"long enough indeed\"}"))
                .andExpect(status().isForbidden());
    }
}
