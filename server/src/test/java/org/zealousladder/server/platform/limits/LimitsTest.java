package org.zealousladder.server.platform.limits;

import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.anonymous;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ServerTest;

/** What is too much is refused in words, before it costs anything. */
class LimitsTest extends ServerTest {
    private Map<String, Object> export(int students, int columns) {
        return new HashMap<>(Map.of("who", "class-" + classId("2025-KITTIWAKE"), "year", thisYear(), "asOf", "2026-03-13", "format", "csv", "students",
                Collections.nCopies(students, student("Sunniva Hale")), "columns", Collections.nCopies(columns, 0), "codes", false));
    }

    /** A hundred thousand rows of a hundred columns once ended the server. */
    @Test
    void aListThatIsLongerThanAnySchoolIsRefused() throws Exception {
        send(person("r.oduya"), "/api/table/export", export(100_000, 100)).andExpect(refused("422 invalid students"))
                .andExpect(jsonPath("$.detail").value(containsString("at most 5000")));
        send(person("r.oduya"), "/api/table/export", export(1, 201)).andExpect(refused("422 invalid columns"));
        send(person("r.oduya"), "/api/table/export", export(1, 1)).andExpect(status().isOk());
    }

    @Test
    void aTextThatIsLongerThanAnyReasonIsRefused() throws Exception {
        send(person("m.tveit"), "/api/tiers/closing", Map.of("window", 1, "school", 1, "close", true, "parts", List.of(), "reason", "x".repeat(600)))
                .andExpect(refused("422 invalid reason"));
        send(person("r.oduya"), "/api/table/export", with(export(1, 1), "who", "x".repeat(2001))).andExpect(refused("422 invalid who"));
    }

    private static Map<String, Object> with(Map<String, Object> form, String field, Object value) {
        form.put(field, value);
        return form;
    }

    @Test
    void aBodyHasASizeAndBeforeSignInASmallOne() throws Exception {
        send(person("r.oduya"), "/api/decisions", Map.of("reason", "x".repeat(1 << 20))).andExpect(refused("413 too-large"));
        signOutHere();
        String long64 = "{\"login\":\"" + "x".repeat(64 << 10) + "\"}";
        http.perform(post("/api/session").with(anonymous()).with(csrf()).contentType("application/json").content(long64)).andExpect(refused("413 too-large"))
                .andExpect(jsonPath("$.detail").value("What was sent is too large: at most 64 kB. Nothing was saved."));
        http.perform(post("/api/records/imports?name=a.csv").with(anonymous()).with(csrf()).contentType("application/octet-stream").content(new byte[70_000]))
                .andExpect(refused("413 too-large"));
        http.perform(post("/api/session").with(csrf()).contentType("application/json").content("{\"login\":\"" + "x".repeat(120) + "\",\"password\":\"x\"}"))
                .andExpect(refused("422 invalid login"));
    }

    @Test
    void whatIsSentAsAFormIsNotReadAtAll() throws Exception {
        http.perform(post("/api/session").with(csrf()).contentType("application/x-www-form-urlencoded").content("login=a")).andExpect(refused("415 form"));
        http.perform(post("/api/session").with(csrf()).contentType("multipart/form-data; boundary=x").content("--x--")).andExpect(refused("415 form"));
    }
}
