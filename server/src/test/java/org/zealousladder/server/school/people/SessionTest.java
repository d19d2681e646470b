package org.zealousladder.server.school.people;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import jakarta.servlet.http.Cookie;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.zealousladder.server.ScreeningTest;

/** Signing in for real, with a password, and going on with the cookie that was given for it. */
abstract class SessionTest extends ScreeningTest {
    protected static final String SESSION = "LADDER";
    protected static final String PASSWORD = "three words in a row";

    @Autowired
    protected AccountService accounts;

    protected int id(String login) {
        return people.sql("select id from people_person where login = :login").param("login", login).query(Integer.class).single();
    }

    protected static MockHttpServletRequestBuilder with(MockHttpServletRequestBuilder request, Cookie... cookies) {
        return cookies.length == 0 ? request : request.cookie(cookies);
    }

    protected MockHttpServletResponse tries(String login, String password, String address, Cookie... cookies) throws Exception {
        return tries(Map.of("login", login, "password", password), address, cookies);
    }

    protected MockHttpServletResponse tries(Map<String, String> form, String address, Cookie... cookies) throws Exception {
        signOutHere();
        return http.perform(with(post("/api/session"), cookies).with(csrf()).with(r -> {
            r.setRemoteAddr(address);
            return r;
        }).contentType("application/json").content(json.writeValueAsString(form))).andReturn().getResponse();
    }

    protected Cookie session(String login) throws Exception {
        MockHttpServletResponse answer = tries(login, PASSWORD, "10.9.9.9");
        assertEquals(200, answer.getStatus(), answer.getContentAsString());
        return given(answer, SESSION);
    }

    protected static Cookie given(MockHttpServletResponse answer, String name) {
        Cookie cookie = answer.getCookie(name);
        assertNotNull(cookie, name);
        return new Cookie(name, cookie.getValue());
    }

    protected ResultActions as(Cookie session, HttpMethod method, String path, @Nullable Object form) throws Exception {
        signOutHere();
        MockHttpServletRequestBuilder request = MockMvcRequestBuilders.request(method, path).cookie(session).with(csrf());
        return http.perform(form == null ? request : request.contentType("application/json").content(json.writeValueAsString(form)));
    }
}
