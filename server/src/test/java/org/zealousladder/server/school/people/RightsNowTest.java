package org.zealousladder.server.school.people;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import jakarta.servlet.http.Cookie;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.mock.web.MockHttpServletResponse;
import org.zealousladder.server.platform.who.Rights;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** What somebody may do is what they may now, through real sessions; sessions end when they should. */
class RightsNowTest extends SessionTest {
    @Autowired
    private Rights rights;

    /** People of this test alone: w. is a teacher of Kittiwake, x. another one. */
    @BeforeEach
    void people() throws Exception {
        signInHere(Viewer.SYSTEM);
        nobodyTeachesAnyMore();
        people.sql("delete from people_signin_try where login like '%.rights' or place = '127.0.0.1'").update();
        take("login,person,role,school", "w.rights,W. Rights,teacher,SKERROW", "x.rights,X. Rights,teacher,SKERROW", "a.rights,A. Rights,administrator,");
        take("login,class", "w.rights,2025-KITTIWAKE");
        for (String login : List.of("w.rights", "x.rights", "a.rights")) {
            accounts.setPassword(login, PASSWORD);
            people.sql("update people_person set active = true, ends_when_idle = false where login = :login").param("login", login).update();
            rights.changed(id(login));
        }
        signOutHere();
    }

    @AfterEach
    void nobodyTeachesAnyMore() {
        people.sql("update people_teaches set ends = '2026-03-01' where person_id in (select id from people_person where login like '%.rights')").update();
    }

    private int sees(Cookie session) throws Exception {
        signOutHere();
        return http.perform(get("/api/desk?who=class-" + classId("2025-KITTIWAKE") + "&year=" + thisYear() + "&asOf=2026-03-13").cookie(session))
                .andReturn().getResponse().getStatus();
    }

    @Test
    void anEndedAccountIsOutAtOnceAndComesBackWhenOpened() throws Exception {
        Cookie teacher = session("w.rights");
        assertEquals(200, sees(teacher));
        Cookie administrator = session("a.rights");
        as(administrator, HttpMethod.PUT, "/api/people/" + id("w.rights") + "/active", Map.of("active", false)).andExpect(status().isNoContent());
        assertEquals(401, sees(teacher));
        assertEquals(401, tries("w.rights", PASSWORD, "10.9.9.8").getStatus());
        as(administrator, HttpMethod.PUT, "/api/people/" + id("w.rights") + "/active", Map.of("active", true)).andExpect(status().isNoContent());
        assertEquals(401, sees(teacher), "the session is gone for good");
        assertEquals(200, sees(session("w.rights")));
    }

    @Test
    void onesOwnAccountIsNotEndedAndTeachersEndNone() throws Exception {
        as(session("a.rights"), HttpMethod.PUT, "/api/people/" + id("a.rights") + "/active", Map.of("active", false)).andExpect(status().isConflict());
        Cookie teacher = session("w.rights");
        as(teacher, HttpMethod.PUT, "/api/people/" + id("x.rights") + "/active", Map.of("active", false)).andExpect(status().isForbidden());
        as(teacher, HttpMethod.GET, "/api/people", null).andExpect(status().isForbidden());
        as(teacher, HttpMethod.PUT, "/api/people/" + id("x.rights") + "/classes/1/ends", Map.of()).andExpect(status().isForbidden());
        assertEquals(true, people.sql("select active from people_person where login = 'x.rights'").query(Boolean.class).single());
    }

    @Test
    void aDemotionCountsFromTheNextRequestOn() throws Exception {
        Cookie administrator = session("a.rights");
        as(administrator, HttpMethod.GET, "/api/people", null).andExpect(status().isOk());
        people.sql("update people_person set role = 'teacher', school_id = (select id from roster_school where code = 'SKERROW') where login = 'a.rights'")
                .update();
        rights.changed(id("a.rights"));
        as(administrator, HttpMethod.GET, "/api/people", null).andExpect(status().isForbidden());
        assertEquals(403, sees(administrator), "nor as a teacher of no class");
        JsonNode who = json.readTree(as(administrator, HttpMethod.GET, "/api/session", null).andReturn().getResponse().getContentAsString());
        assertEquals("teacher", who.at("/person/role").asString());
    }

    @Test
    void anEndedTeachingClosesTheClassAndTheFileOpensItAgain() throws Exception {
        Cookie teacher = session("w.rights");
        Cookie administrator = session("a.rights");
        String ends = "/api/people/" + id("w.rights") + "/classes/" + classId("2025-KITTIWAKE") + "/ends";
        as(administrator, HttpMethod.PUT, ends, Map.of("ends", "2026-03-13")).andExpect(status().isNoContent());
        assertEquals(200, sees(teacher), "on the last day");
        as(administrator, HttpMethod.PUT, ends, Map.of("ends", "2026-03-12")).andExpect(status().isNoContent());
        assertEquals(403, sees(teacher));
        JsonNode people = json.readTree(as(administrator, HttpMethod.GET, "/api/people", null).andReturn().getResponse().getContentAsString()).get("people");
        JsonNode mine = people.valueStream().filter(p -> p.get("login").asString().equals("w.rights")).findFirst().orElseThrow();
        assertEquals("2026-03-12", mine.at("/teaches/0/ends").asString());
        as(administrator, HttpMethod.PUT, "/api/people/" + id("x.rights") + "/classes/" + classId("2025-KITTIWAKE") + "/ends", Map.of("ends", "2026-03-12"))
                .andExpect(status().isNotFound());
        signInHere(Viewer.SYSTEM);
        take("login,class", "w.rights,2025-KITTIWAKE");
        assertEquals(200, sees(teacher));
    }

    @Test
    void aNewPasswordEndsTheOtherSessions() throws Exception {
        Cookie here = session("x.rights");
        Cookie there = session("x.rights");
        String path = "/api/account/password";
        as(here, HttpMethod.PUT, path, Map.of("current", "not this one", "password", "four words in a row")).andExpect(refused("422 invalid current"));
        as(here, HttpMethod.PUT, path, Map.of("current", PASSWORD, "password", "short")).andExpect(refused("422 invalid password"));
        as(there, HttpMethod.GET, "/api/account", null).andExpect(status().isOk());
        as(here, HttpMethod.PUT, path, Map.of("current", PASSWORD, "password", "four words in a row")).andExpect(status().isNoContent());
        as(here, HttpMethod.GET, "/api/account", null).andExpect(status().isOk());
        as(there, HttpMethod.GET, "/api/account", null).andExpect(status().isUnauthorized());
        assertEquals(401, tries("x.rights", PASSWORD, "10.9.9.7").getStatus());
        assertEquals(200, tries("x.rights", "four words in a row", "10.9.9.7").getStatus());
    }

    @Test
    void ownSessionsAreListedAndEnded() throws Exception {
        Cookie here = session("x.rights");
        Cookie there = session("x.rights");
        Cookie elsewhere = session("x.rights");
        Cookie others = session("w.rights");
        JsonNode own = json.readTree(as(here, HttpMethod.GET, "/api/account", null).andReturn().getResponse().getContentAsString()).get("sessions");
        assertEquals(3, own.size());
        assertEquals(List.of(true, false, false), own.valueStream().map(s -> s.get("here").asBoolean()).toList());
        assertEquals("10.9.9.9", own.get(1).get("address").asString());
        as(here, HttpMethod.DELETE, "/api/account/sessions/" + own.get(1).get("key").asString(), null).andExpect(status().isNoContent());
        as(here, HttpMethod.DELETE, "/api/account/sessions/" + own.get(1).get("key").asString(), null).andExpect(refused("404 not-found"));
        int left = 0;
        for (Cookie session : List.of(there, elsewhere)) {
            left += as(session, HttpMethod.GET, "/api/account", null).andReturn().getResponse().getStatus() == 200 ? 1 : 0;
        }
        assertEquals(1, left);
        JsonNode foreign = json.readTree(as(others, HttpMethod.GET, "/api/account", null).andReturn().getResponse().getContentAsString()).get("sessions");
        as(here, HttpMethod.DELETE, "/api/account/sessions/" + foreign.get(0).get("key").asString(), null).andExpect(refused("404 not-found"));
        as(here, HttpMethod.DELETE, "/api/account/sessions", null).andExpect(status().isNoContent());
        for (Cookie session : List.of(there, elsewhere)) {
            as(session, HttpMethod.GET, "/api/account", null).andExpect(status().isUnauthorized());
        }
        as(others, HttpMethod.GET, "/api/account", null).andExpect(status().isOk());
    }

    @Test
    void aSessionEndsAfterHalfAnHourOfNothingForWhoChoosesSo() throws Exception {
        Cookie here = session("x.rights");
        assertEquals(12 * 3600, longest("x.rights"));
        as(here, HttpMethod.PUT, "/api/account/idle", Map.of("endsWhenIdle", true)).andExpect(status().isNoContent());
        assertEquals(1800, longest("x.rights"), "this one at once");
        people.sql("update spring_session set last_access_time = last_access_time - 1801000 where principal_name = 'x.rights'").update();
        as(here, HttpMethod.GET, "/api/account", null).andExpect(status().isUnauthorized());
        Cookie next = session("x.rights");
        JsonNode account = json.readTree(as(next, HttpMethod.GET, "/api/account", null).andReturn().getResponse().getContentAsString());
        assertEquals(true, account.get("endsWhenIdle").asBoolean());
        assertEquals(1800, longest("x.rights"), "and the next");
    }

    private int longest(String login) {
        return people.sql("select max(max_inactive_interval) from spring_session where principal_name = :login").param("login", login).query(Integer.class)
                .single();
    }

    /** Whoever put a session or a token into somebody's browser beforehand has nothing in hand afterwards. */
    @Test
    void sessionAndTokenAreNewAtSignIn() throws Exception {
        Cookie planted = session("w.rights");
        MockHttpServletResponse answer = tries("x.rights", PASSWORD, "10.9.9.1", planted);
        assertNotEquals(planted.getValue(), given(answer, SESSION).getValue());
        assertEquals(36, given(answer, "XSRF-TOKEN").getValue().length());
        as(planted, HttpMethod.GET, "/api/account", null).andExpect(status().isUnauthorized());
    }

    @Test
    void aKnownDeviceIsLetInWhileAStrangerTries() throws Exception {
        MockHttpServletResponse first = tries("w.rights", PASSWORD, "10.9.9.1");
        Cookie device = given(first, "LADDER_DEVICE");
        assertEquals(200, tries("w.rights", PASSWORD, "10.9.9.2", device).getStatus());
        for (int i = 0; i < 5; i++) {
            assertEquals(401, tries("w.rights", "a guess", "10.6.6.6").getStatus());
        }
        MockHttpServletResponse held = tries("w.rights", PASSWORD, "10.6.6.6");
        assertEquals(429, held.getStatus());
        int wait = Integer.parseInt(String.valueOf(held.getHeader("Retry-After")));
        assertTrue(wait >= 1 && wait <= 5, "of five seconds, those that are left: " + wait);
        assertEquals(200, tries("w.rights", PASSWORD, "10.9.9.4").getStatus(), "the account is not blocked for another place");
        assertEquals(200, tries("w.rights", PASSWORD, "10.6.6.6", device).getStatus(), "nor for a known device at the stranger's place");
    }

    /** Twelve at once are not twelve free tries. */
    @Test
    void manyAtOnceAreCountedBeforeTheirPasswordsAreChecked() throws Exception {
        ExecutorService many = Executors.newFixedThreadPool(12);
        CountDownLatch go = new CountDownLatch(1);
        try {
            List<Future<Integer>> answers = new ArrayList<>();
            for (int i = 0; i < 12; i++) {
                Callable<Integer> one = () -> {
                    go.await();
                    return tries("x.rights", "a guess", "10.7.7.7").getStatus();
                };
                answers.add(many.submit(one));
            }
            go.countDown();
            List<Integer> statuses = new ArrayList<>();
            for (Future<Integer> answer : answers) {
                statuses.add(answer.get());
            }
            assertEquals(5, statuses.stream().filter(s -> s == 401).count(), statuses.toString());
            assertEquals(7, statuses.stream().filter(s -> s == HttpStatus.TOO_MANY_REQUESTS.value()).count());
        } finally {
            many.shutdownNow();
        }
        signOutHere();
        http.perform(get("/api/session")).andExpect(header().doesNotExist("Retry-After"));
    }
}
