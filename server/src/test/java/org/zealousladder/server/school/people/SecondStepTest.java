package org.zealousladder.server.school.people;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.eatthepath.otp.TimeBasedOneTimePasswordGenerator;
import jakarta.servlet.http.Cookie;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import javax.crypto.spec.SecretKeySpec;
import org.apache.commons.codec.binary.Base32;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpMethod;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** A second step at sign-in, from setting it up to losing the device. */
class SecondStepTest extends SessionTest {
    private static final String LOGIN = "s.econd";

    @BeforeEach
    void person() {
        signInHere(Viewer.SYSTEM);
        people.sql("delete from people_signin_try where login = :login or place = '127.0.0.1'").param("login", LOGIN).update();
        take("login,person,role,school", LOGIN + ",S. Econd,coordinator,SKERROW");
        accounts.setPassword(LOGIN, PASSWORD);
        signOutHere();
    }

    @AfterEach
    void without() {
        people.sql("delete from people_factor where person_id = :id").param("id", id(LOGIN)).update();
    }

    /** What the authenticator shows; {@code later} gives the code of another step, since each counts once. */
    private static String code(String secret, int later) throws Exception {
        return new TimeBasedOneTimePasswordGenerator().generateOneTimePasswordString(new SecretKeySpec(new Base32().decode(secret), "HmacSHA1"),
                Instant.now().plusSeconds(30L * later));
    }

    private JsonNode signsIn(String code) throws Exception {
        var answer = tries(code == null ? Map.of("login", LOGIN, "password", PASSWORD) : Map.of("login", LOGIN, "password", PASSWORD, "code", code),
                "10.8.8.8");
        return json.readTree(answer.getContentAsString(java.nio.charset.StandardCharsets.UTF_8));
    }

    private static void assertRefused(String type, JsonNode answer) {
        assertEquals("urn:zealous-ladder:" + type, answer.path("type").asString(""), answer.toString());
    }

    @Test
    void aCodeIsAskedForOnceItIsSetUpAndEachCountsOnce() throws Exception {
        Cookie here = session(LOGIN);
        Cookie elsewhere = session(LOGIN);
        as(here, HttpMethod.POST, "/api/account/factor", Map.of("current", "wrong")).andExpect(refused("422 invalid current"));
        JsonNode begun = body(as(here, HttpMethod.POST, "/api/account/factor", Map.of("current", PASSWORD)).andExpect(status().isOk()));
        String secret = begun.get("secret").asString();
        assertEquals("otpauth://totp/Zealous%20Ladder%3As.econd?secret=" + secret + "&issuer=Zealous%20Ladder", begun.get("address").asString());
        assertEquals(begun.get("picture").size(), begun.get("picture").get(0).asString().length());
        assertTrue(signsIn(null).has("person"), "before it is confirmed nothing is asked for");
        as(here, HttpMethod.POST, "/api/account/factor/confirmation", Map.of("code", "000000")).andExpect(refused("422 invalid code"));
        JsonNode ready = body(as(here, HttpMethod.POST, "/api/account/factor/confirmation", Map.of("code", code(secret, -1))).andExpect(status().isOk()));
        assertEquals(8, ready.get("codes").size());
        as(here, HttpMethod.GET, "/api/account", null).andExpect(status().isOk());
        as(elsewhere, HttpMethod.GET, "/api/account", null).andExpect(status().isUnauthorized());

        assertRefused("code-wanted", signsIn(null));
        assertRefused("code-wrong", signsIn(code(secret, -1)));
        String now = code(secret, 0);
        assertTrue(signsIn(now.substring(0, 3) + " " + now.substring(3)).has("person"));
        assertRefused("code-wrong", signsIn(now));
        String kept = ready.get("codes").get(3).asString();
        assertTrue(kept.matches("([a-z2-7]{4}-){5}[a-z2-7]{4}"), kept);
        assertTrue(signsIn(kept.toUpperCase(java.util.Locale.ROOT)).has("person"));
        assertRefused("code-wrong", signsIn(kept));
        assertEquals(7, body(as(here, HttpMethod.GET, "/api/account", null)).get("codesLeft").asInt());
        for (String table : List.of("people_factor", "people_recovery")) {
            String all = people.sql("select string_agg(f::text, ' ') from " + table + " f").query(String.class).single();
            assertFalse(all.contains(secret) || all.contains(kept) || all.contains(java.util.HexFormat.of().formatHex(new Base32().decode(secret))),
                    "neither the secret nor a code stands there as it is");
        }
    }

    @Test
    void itIsTakenAwayWithPasswordAndCodeOrAtTheMachine() throws Exception {
        Cookie here = session(LOGIN);
        String secret = body(as(here, HttpMethod.POST, "/api/account/factor", Map.of("current", PASSWORD))).get("secret").asString();
        as(here, HttpMethod.POST, "/api/account/factor/confirmation", Map.of("code", code(secret, -1))).andExpect(status().isOk());
        as(here, HttpMethod.POST, "/api/account/factor", Map.of("current", PASSWORD)).andExpect(refused("409 conflict"));
        as(here, HttpMethod.POST, "/api/account/factor/removal", Map.of("current", PASSWORD, "code", "123")).andExpect(refused("422 invalid code"));
        as(here, HttpMethod.POST, "/api/account/factor/removal", Map.of("current", PASSWORD, "code", code(secret, 0))).andExpect(status().isNoContent());
        assertTrue(signsIn(null).has("person"));

        secret = body(as(here, HttpMethod.POST, "/api/account/factor", Map.of("current", PASSWORD))).get("secret").asString();
        as(here, HttpMethod.POST, "/api/account/factor/confirmation", Map.of("code", code(secret, 0))).andExpect(status().isOk());
        assertRefused("code-wanted", signsIn(null));
        accounts.forgetFactor(LOGIN);
        as(here, HttpMethod.GET, "/api/account", null).andExpect(status().isUnauthorized());
        assertTrue(signsIn(null).has("person"));
        assertEquals(List.of("second step at sign-in taken away at the machine", "second step at sign-in set up", "second step at sign-in taken away",
                "second step at sign-in set up"),
                asking(Viewer.SYSTEM, () -> db.sql("""
                        select what from audit_event where about_person = :id and what like 'second%' order by id desc limit 4""").param("id", id(LOGIN))
                        .query(String.class).list()));
    }

    @Test
    void wrongCodesMakeWaitAsWrongPasswordsDo() throws Exception {
        Cookie here = session(LOGIN);
        String secret = body(as(here, HttpMethod.POST, "/api/account/factor", Map.of("current", PASSWORD))).get("secret").asString();
        as(here, HttpMethod.POST, "/api/account/factor/confirmation", Map.of("code", code(secret, -1))).andExpect(status().isOk());
        int tries = 0;
        JsonNode answer = signsIn("000001");
        while (answer.path("type").asString("").endsWith("code-wrong") && tries < 50) {
            tries++;
            answer = signsIn("000001");
        }
        assertRefused("too-many-tries", answer);
        assertTrue(tries <= 10, tries + " wrong codes were looked at");
    }
}
