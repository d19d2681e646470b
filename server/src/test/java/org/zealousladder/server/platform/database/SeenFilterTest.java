package org.zealousladder.server.platform.database;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import jakarta.servlet.FilterChain;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletResponse;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.zealousladder.server.platform.who.Cookies;

/** What a person carries who has just changed something. */
class SeenFilterTest {
    private final Replica replica = mock(Replica.class);
    private final SeenFilter filter = new SeenFilter(replica, new Cookies(true));

    private MockHttpServletResponse asked(String method, FilterChain chain) throws Exception {
        MockHttpServletResponse response = new MockHttpServletResponse();
        filter.doFilter(new MockHttpServletRequest(method, "/api/scores"), response, chain);
        return response;
    }

    @Test
    void aChangeTellsHowFarTheRecordsAreBeforeItsAnswerGoesOut() throws Exception {
        when(replica.written()).thenReturn(0x1A2BL);
        MockHttpServletResponse empty = asked("POST", (request, response) -> ((HttpServletResponse) response).setStatus(204));
        MockHttpServletResponse full = asked("PUT", (request, response) -> {
            response.getWriter().write("{}");
            response.flushBuffer();
        });
        for (MockHttpServletResponse answer : new MockHttpServletResponse[] {empty, full}) {
            String cookie = answer.getHeader("Set-Cookie");
            assertTrue(cookie != null && cookie.startsWith("__Host-LADDER_SEEN=1a2b; Path=/; Max-Age=60;"), cookie);
            assertTrue(cookie.endsWith("; Secure; HttpOnly; SameSite=Strict"), cookie);
            assertEquals(1, answer.getHeaders("Set-Cookie").size());
        }
    }

    @Test
    void aLookAndARefusedChangeTellNothing() throws Exception {
        assertNull(asked("GET", (request, response) -> {}).getHeader("Set-Cookie"));
        assertNull(asked("POST", (request, response) -> ((HttpServletResponse) response).setStatus(409)).getHeader("Set-Cookie"));
        verify(replica, never()).written();
    }

    @Test
    void whoCannotBeToldIsShownTheRecordsThemselves() throws Exception {
        when(replica.written()).thenThrow(new DataAccessResourceFailureException("away"));
        MockHttpServletResponse answer = asked("DELETE", (request, response) -> {});
        MockHttpServletRequest next = new MockHttpServletRequest("GET", "/api/desk");
        next.setCookies(answer.getCookie("__Host-LADDER_SEEN"));
        assertEquals(Long.MAX_VALUE, SeenFilter.of(next));
    }

    @Test
    void whatIsNoNumberCountsAsNothing() {
        MockHttpServletRequest request = new MockHttpServletRequest("GET", "/api/desk");
        assertEquals(0, SeenFilter.of(request));
        request.setCookies(new Cookie("LADDER_SEEN", "<script>"), new Cookie("other", "ff"), new Cookie("LADDER_SEEN", "-5"));
        assertEquals(0, SeenFilter.of(request));
    }
}
