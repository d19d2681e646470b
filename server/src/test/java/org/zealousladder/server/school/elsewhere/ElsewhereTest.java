package org.zealousladder.server.school.elsewhere;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import jakarta.servlet.http.Cookie;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.web.servlet.MvcResult;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.web.util.UriComponentsBuilder;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.standins.SignInStandIn;
import org.zealousladder.standins.SignInStandIn.Fault;
import org.zealousladder.standins.SignInStandIn.Person;

/** Signing in by the school's own sign-in, played by the stand-in: who is let in, and what is noticed when its answer is wrong. */
class ElsewhereTest extends ServerTest {
    private static final SignInStandIn SCHOOL = standIn();
    private final HttpClient browser = HttpClient.newHttpClient();

    private static SignInStandIn standIn() {
        try {
            return new SignInStandIn(0,
                    List.of(new Person("sato", "T. Sato", "T.Sato@skerrow.example", true), new Person("two", "Two of them", "both@skerrow.example", true),
                            new Person("unknown", "Unknown", "nobody@elsewhere.example", true),
                            new Person("unchecked", "Unchecked", "g.rustad@skerrow.example", false),
                            new Person("bare", "No address", null, false), new Person("haddad", "N. Haddad", "n.haddad@skerrow.example", true)));
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    @DynamicPropertySource
    static void settings(DynamicPropertyRegistry registry) {
        registry.add("ladder.elsewhere.issuer", SCHOOL::issuer);
        registry.add("ladder.elsewhere.client-id", () -> SignInStandIn.CLIENT);
        registry.add("ladder.elsewhere.client-secret", () -> SignInStandIn.SECRET);
        registry.add("ladder.elsewhere.name", () -> "Skerrow sign-in");
        registry.add("ladder.elsewhere.address", () -> "http://localhost/");
    }

    @AfterAll
    static void stop() {
        SCHOOL.close();
    }

    private record Begun(String there, Cookie cookie) {}

    private Begun begin() throws Exception {
        MockHttpServletResponse answer = http.perform(get("/api/elsewhere")).andReturn().getResponse();
        assertEquals(302, answer.getStatus());
        Cookie cookie = answer.getCookie("LADDER_SENT");
        assertTrue(
                String.valueOf(answer.getHeader("Set-Cookie")).contains("SameSite=Lax") && String.valueOf(answer.getHeader("Set-Cookie")).contains("HttpOnly"));
        return new Begun(String.valueOf(answer.getRedirectedUrl()), java.util.Objects.requireNonNull(cookie));
    }

    /** Where the school sends somebody back to. */
    private String chosen(String there, String who) throws Exception {
        HttpResponse<String> page = browser.send(HttpRequest.newBuilder(URI.create(there)).build(), HttpResponse.BodyHandlers.ofString());
        assertTrue(page.body().contains("Who are you?"), page.body());
        HttpResponse<String> back = browser.send(HttpRequest.newBuilder(URI.create(there + "&who=" + who)).build(), HttpResponse.BodyHandlers.ofString());
        assertEquals(302, back.statusCode());
        return back.headers().firstValue("Location").orElseThrow();
    }

    private MvcResult back(String address, @Nullable Cookie cookie) throws Exception {
        assertTrue(address.startsWith("http://localhost" + Elsewhere.BACK + "?"), address);
        MockHttpServletRequestBuilder request = get(Elsewhere.BACK);
        UriComponentsBuilder.fromUriString(address).build().getQueryParams().forEach((name, values) -> request.queryParam(name, values.get(0)));
        return http.perform(cookie == null ? request : request.cookie(cookie)).andReturn();
    }

    private MvcResult signIn(String who) throws Exception {
        Begun begun = begin();
        return back(chosen(begun.there(), who), begun.cookie());
    }

    private static void refused(MvcResult result, String words) throws Exception {
        assertEquals(401, result.getResponse().getStatus());
        assertTrue(result.getResponse().getContentAsString().contains(words), result.getResponse().getContentAsString());
        assertFalse(result.getResponse().getContentAsString().contains("http-equiv"));
    }

    @Test
    void whoeverHasTheAddressIsLetInAndKnownAfterwardsWhateverTheAddress() throws Exception {
        signOutHere();
        assertEquals("Skerrow sign-in", body(http.perform(get("/api/session"))).get("elsewhere").asString());
        people.sql("update people_person set email = 't.sato@skerrow.example' where login = 't.sato'").update();
        MvcResult in = signIn("sato");
        assertEquals(200, in.getResponse().getStatus(), in.getResponse().getContentAsString());
        assertTrue(in.getResponse().getContentAsString().contains("0;url=/"));
        assertEquals("t.sato", body(http.perform(get("/api/session").cookie(in.getResponse().getCookies()))).get("person").get("login").asString());
        people.sql("update people_person set email = null where login = 't.sato'").update();
        assertEquals(200, signIn("sato").getResponse().getStatus(), "by issuer and subject");
        people.sql("update people_person set active = false where login = 't.sato'").update();
        refused(signIn("sato"), "Your account has ended");
        people.sql("update people_person set active = true where login = 't.sato'").update();
        assertTrue(asking(Viewer.SYSTEM, () -> db.sql("select count(*)::integer from audit_event where what = 'signed in by the school''s own sign-in'")
                .query(Integer.class).single()) >= 2);
    }

    @Test
    void whoCannotBeFoundIsToldWhy() throws Exception {
        refused(signIn("unknown"), "Nobody here has the e-mail address nobody@elsewhere.example");
        people.sql("update people_person set email = 'g.rustad@skerrow.example' where login = 'g.rustad'").update();
        refused(signIn("unchecked"), "no e-mail address that it has checked");
        refused(signIn("bare"), "no e-mail address that it has checked");
        people.sql("update people_person set email = 'both@skerrow.example' where login in ('l.iversen', 'i.mensah')").update();
        refused(signIn("two"), "Several accounts here");
        people.sql("update people_person set email = null where login in ('l.iversen', 'i.mensah', 'g.rustad')").update();
        refused(signIn(""), "It was broken off there.");
    }

    @Test
    void anAnswerThatDoesNotFitIsNotTaken() throws Exception {
        people.sql("update people_person set email = 'n.haddad@skerrow.example' where login = 'n.haddad'").update();
        for (Fault wrong : List.of(Fault.ANOTHER_NONCE, Fault.ANOTHER_KEY, Fault.ANOTHER_AUDIENCE, Fault.OLD)) {
            SCHOOL.will(wrong);
            refused(signIn("haddad"), "does not fit what was asked");
        }
        SCHOOL.will(Fault.NONE);
        Begun begun = begin();
        String answer = chosen(begun.there(), "haddad");
        refused(back(answer, null), "not begun in this browser");
        refused(back(answer, begin().cookie()), "does not fit what was asked");
        assertEquals(200, back(answer, begun.cookie()).getResponse().getStatus());
        refused(back(answer, begun.cookie()), "does not fit what was asked");
        assertEquals(0,
                people.sql("select count(*)::integer from people_elsewhere where subject <> 'haddad' and subject <> 'sato'").query(Integer.class).single());
    }
}
