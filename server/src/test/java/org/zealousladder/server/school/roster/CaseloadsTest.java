package org.zealousladder.server.school.roster;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Named students of somebody who works across classes: what the caseload shows, to whom, and until when. */
class CaseloadsTest extends ServerTest {
    private static int made;
    private String login;
    private Viewer specialist;
    private Viewer coordinator;
    private int ada;
    private int bo;

    @BeforeEach
    void somebodyWithoutAClass() throws Exception {
        login = "s.rask" + ++made;
        signInHere(Viewer.SYSTEM);
        imports.take(TestServer.csv("login,person,role,school", login + ",S. Rask " + made + ",teacher,SKERROW"));
        signOutHere();
        ada = byCode("S1003");
        bo = byCode("S1050");
        specialist = person(login);
        coordinator = person("m.tveit");
    }

    private int byCode(String code) {
        return asking(Viewer.SYSTEM, () -> db.sql("select id from roster_student where code = :c").param("c", code).query(Integer.class).single());
    }

    private void add(Viewer who, int person, Integer... students) throws Exception {
        send(who, "/api/caseloads/" + person + "/students", Map.of("students", List.of(students))).andExpect(status().isNoContent());
    }

    private String trends(int person) {
        return "/api/trends?who=caseload-" + person + "&year=" + thisYear() + "&measure=" + measure("oral-reading") + "&asOf=2026-03-13";
    }

    private JsonNode caseloads(Viewer who) throws Exception {
        return body(read(who, "/api/scope").andExpect(status().isOk())).get("caseloads");
    }

    @Test
    void whoIsOnItIsSeenByItsPersonInEveryViewAndByNobodyElse() throws Exception {
        read(specialist, "/api/students/" + ada + "?asOf=2026-03-13").andExpect(refused("404 not-found"));
        read(specialist, trends(specialist.id())).andExpect(status().isOk());
        add(coordinator, specialist.id(), ada, bo);
        assertEquals("[{\"personId\":%d,\"name\":\"Own caseload\",\"students\":2,\"own\":true}]".formatted(specialist.id()),
                caseloads(specialist).toString());
        read(specialist, "/api/students/" + ada + "?asOf=2026-03-13").andExpect(status().isOk());
        String scope = "?who=caseload-" + specialist.id() + "&year=" + thisYear() + "&asOf=2026-03-13";
        for (String view : List.of("/api/desk", "/api/ladder", "/api/tiers", "/api/plans", "/api/meeting", "/api/coverage", "/api/table")) {
            read(specialist, view + scope + "&measure=" + measure("oral-reading") + "&area=Reading").andExpect(status().isOk());
        }
        assertEquals(2, body(read(specialist, "/api/entry" + scope).andExpect(status().isOk())).get("rows").size());
        Viewer other = person("b.calder");
        read(other, trends(specialist.id())).andExpect(refused("403 forbidden"));
        assertEquals(0, caseloads(other).size());
        assertTrue(caseloads(coordinator).valueStream().anyMatch(c -> c.get("personId").asInt() == specialist.id()));
    }

    @Test
    void onlyCoordinatorsOfTheSchoolAndAdministratorsGiveIt() throws Exception {
        send(specialist, "/api/caseloads/" + specialist.id() + "/students", Map.of("students", List.of(ada))).andExpect(refused("403 forbidden"));
        send(person("i.mensah"), "/api/caseloads/" + specialist.id() + "/students", Map.of("students", List.of(ada))).andExpect(refused("403 forbidden"));
        send(coordinator, "/api/caseloads/" + person("a.sandvik").id() + "/students", Map.of("students", List.of(ada))).andExpect(refused("404 not-found"));
        send(coordinator, "/api/caseloads/" + specialist.id() + "/students", Map.of("students", List.of())).andExpect(refused("422 invalid students"));
        add(person("a.sandvik"), specialist.id(), ada);
    }

    @Test
    void itEndsAndWhoWasOnItIsOutOfSightTheDayAfter() throws Exception {
        add(coordinator, specialist.id(), ada, bo);
        String ends = "/api/caseloads/" + specialist.id() + "/students/" + ada + "/ends";
        call(coordinator, put(ends).contentType("application/json").content("{\"ends\":\"2026-03-13\"}")).andExpect(status().isNoContent());
        read(specialist, "/api/students/" + ada + "?asOf=2026-03-13").andExpect(status().isOk());
        // As if a day had passed: it began and ended the day before.
        asking(Viewer.SYSTEM, () -> db.sql("insert into roster_caseload (person_id, student_id, starts, ends) values (:p, :s, '2026-01-05', '2026-03-12')")
                .param("p", specialist.id()).param("s", byCode("S1060")).update());
        read(specialist, "/api/students/" + byCode("S1060") + "?asOf=2026-03-13").andExpect(refused("404 not-found"));
        add(coordinator, specialist.id(), ada);
        assertEquals(2, caseloads(specialist).get(0).get("students").asInt(), "who comes back on the last day never left");
    }
}
