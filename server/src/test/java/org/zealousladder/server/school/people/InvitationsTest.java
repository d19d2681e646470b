package org.zealousladder.server.school.people;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.http.HttpMethod;
import org.springframework.test.web.servlet.ResultActions;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Accounts that an administrator makes, and the links by which their owners set a password. */
class InvitationsTest extends SessionTest {
    private static final String OWN = "otter lamp sixteen rafts";

    private Map<String, Object> form(String login, String role) {
        return Map.of("login", login, "name", "Astrid Ødegård", "role", role, "schoolId", school());
    }

    private ResultActions byLink(String path, Map<String, String> form) throws Exception {
        signOutHere();
        return http.perform(post(path).with(csrf()).contentType("application/json").content(json.writeValueAsString(form)));
    }

    @Test
    void aLinkSetsThePasswordOnceAndANewerOneTakesItsPlace() throws Exception {
        Viewer admin = person("a.sandvik");
        JsonNode made = body(send(admin, "/api/people", form("A.Odegard", "teacher")).andExpect(status().isOk()));
        int person = made.get("person").asInt();
        String first = made.get("token").asString();
        assertEquals(401, tries("a.odegard", OWN, "10.7.7.7").getStatus(), "no password, no way in");
        assertEquals("Astrid Ødegård", body(byLink("/api/join/look", Map.of("token", first)).andExpect(status().isOk())).get("name").asString());
        String token = body(send(admin, "/api/people/" + person + "/link", Map.of()).andExpect(status().isOk())).get("token").asString();
        byLink("/api/join/look", Map.of("token", first)).andExpect(refused("403 forbidden"));
        byLink("/api/join", Map.of("token", first, "password", OWN)).andExpect(refused("403 forbidden"));
        byLink("/api/join", Map.of("token", token, "password", "password123")).andExpect(refused("422 invalid password"));
        byLink("/api/join", Map.of("token", token, "password", OWN)).andExpect(status().isNoContent());
        byLink("/api/join", Map.of("token", token, "password", "another lamp for rafts")).andExpect(refused("403 forbidden"));
        assertEquals(200, tries("a.odegard", OWN, "10.7.7.7").getStatus());
        JsonNode row = each(body(read(admin, "/api/people")).get("people")).filter(p -> p.get("id").asInt() == person).findFirst().orElseThrow();
        assertTrue(row.get("hasPassword").asBoolean() && row.get("active").asBoolean() && row.hasNonNull("signedInAt") && !row.has("linkEndsAt"),
                row.toString());
        assertFalse(people.sql("select string_agg(i::text, ' ') from people_invitation i").query(String.class).single().contains(token),
                "only its hash is kept");
        assertEquals("password set by a link, link for a password made, link for a password made, account made", asking(Viewer.SYSTEM, () -> db.sql("""
                select string_agg(what, ', ' order by id desc) from audit_event where about_person = :id and kind = 'rights'""").param("id", person)
                .query(String.class).single()));
    }

    @Test
    void anotherPasswordEndsWhatWasBegunWithTheOneBefore() throws Exception {
        Viewer admin = person("a.sandvik");
        int person = body(send(admin, "/api/people", form("e.nds", "coordinator"))).get("person").asInt();
        accounts.setPassword("e.nds", PASSWORD);
        var session = session("e.nds");
        as(session, HttpMethod.GET, "/api/account", null).andExpect(status().isOk());
        String token = body(send(admin, "/api/people/" + person + "/link", Map.of())).get("token").asString();
        assertEquals(200, tries("e.nds", PASSWORD, "10.7.7.8").getStatus(), "until another is set the password stays");
        byLink("/api/join", Map.of("token", token, "password", OWN)).andExpect(status().isNoContent());
        as(session, HttpMethod.GET, "/api/account", null).andExpect(status().isUnauthorized());
        assertEquals(401, tries("e.nds", PASSWORD, "10.7.7.8").getStatus());
    }

    @Test
    void aLinkEndsAfterAWeekAndWithTheAccount() throws Exception {
        Viewer admin = person("a.sandvik");
        JsonNode made = body(send(admin, "/api/people", form("w.eek", "teacher")));
        int person = made.get("person").asInt();
        people.sql("update people_invitation set ends_at = now() - interval '1 second' where person_id = :id").param("id", person).update();
        byLink("/api/join", Map.of("token", made.get("token").asString(), "password", OWN)).andExpect(refused("403 forbidden"));
        String token = body(send(admin, "/api/people/" + person + "/link", Map.of())).get("token").asString();
        accounts(person, false);
        byLink("/api/join", Map.of("token", token, "password", OWN)).andExpect(refused("403 forbidden"));
        send(admin, "/api/people/" + person + "/link", Map.of()).andExpect(refused("404 not-found"));
        byLink("/api/join", Map.of("token", "made-up", "password", OWN)).andExpect(refused("403 forbidden"));
    }

    private void accounts(int person, boolean active) throws Exception {
        call(person("a.sandvik"), org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put("/api/people/" + person + "/active")
                .contentType("application/json").content("{\"active\":" + active + "}")).andExpect(status().isNoContent());
    }

    @ParameterizedTest
    @CsvSource({"two words,teacher,422 invalid login", "_x,teacher,422 invalid login", "=cmd,teacher,422 invalid login", "r.oduya,teacher,409 conflict",
            "R.ODUYA,coordinator,409 conflict", "n.ew,king,422 invalid role"})
    void whatCannotBeSaysSo(String login, String role, String how) throws Exception {
        send(person("a.sandvik"), "/api/people", form(login, role)).andExpect(refused(how));
    }

    @Test
    void onlyAdministratorsMakeAccounts() throws Exception {
        for (String login : new String[] {"m.tveit", "r.oduya"}) {
            send(person(login), "/api/people", form("n.obody", "administrator")).andExpect(refused("403 forbidden"));
            send(person(login), "/api/people/1/link", Map.of()).andExpect(refused("403 forbidden"));
            read(person(login), "/api/people").andExpect(refused("403 forbidden"));
        }
        send(person("a.sandvik"), "/api/people", Map.of("login", "n.oschool", "name", "N", "role", "teacher")).andExpect(refused("422 invalid schoolId"));
        send(person("a.sandvik"), "/api/people", Map.of("login", "n.oschool", "name", "N", "role", "teacher", "schoolId", 4711))
                .andExpect(refused("422 invalid schoolId"));
    }
}
