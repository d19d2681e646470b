package org.zealousladder.server.platform.pages;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import org.zealousladder.server.ScreeningTest;

/** A view asked for again is not sent again while nothing has changed in it. */
class SameAsBeforeTest extends ScreeningTest {
    private MockHttpServletResponse ask(String path, String etag) throws Exception {
        var request = get(path).with(authentication(as(person("b.calder"))));
        return http.perform(etag == null ? request : request.header("If-None-Match", etag)).andReturn().getResponse();
    }

    @Test
    void anUnchangedViewHasNoBodyAndAChangedOneHas() throws Exception {
        newClass("2025-ETAG", 3, "b.calder", "Ada");
        String path = "/api/coverage" + scope("2025-ETAG", "&window=" + window("Winter"));
        MockHttpServletResponse first = ask(path, null);
        String etag = first.getHeader("ETag");
        assertNotNull(etag);
        assertEquals("W/", etag.substring(0, 2), "a strong one would not be compressed");
        assertEquals("no-store", first.getHeader("Cache-Control"), "nothing about students stays on a disk");
        MockHttpServletResponse again = ask(path, etag);
        assertEquals(304, again.getStatus());
        assertEquals(0, again.getContentAsByteArray().length);
        score("2025-ETAG-Ada", "maze", "2026-01-13", 14);
        MockHttpServletResponse changed = ask(path, etag);
        assertEquals(200, changed.getStatus());
        assertNull(ask("/api/coverage/untested.csv" + scope("2025-ETAG", "&window=" + window("Winter")), null).getHeader("ETag"), "files are sent as they are");
    }
}
