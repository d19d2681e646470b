package org.zealousladder.server.platform.codes;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.zealousladder.server.ServerTest;

/** A code that nobody knows is refused with those that are known, wherever it stands. */
class CodesTest extends ServerTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '"', textBlock = """
            /api/scores         | status  | 'sick' is not known here; use scored, absent, exempt, invalid or withdrawn.
            /api/strip          | status  | 'sick' is not known here; use scored, absent, exempt, invalid or withdrawn.
            /api/decisions      | kind    | 'sick' is not known here; use hold, raise, plan-changed or set-aside.
            /api/goals          | kind    | 'sick' is not known here; use benchmark, norm-growth, own-pace or by-hand.
            /api/plans/1/closing | outcome | 'sick' is not known here; use met, partly, not-met or stopped.""")
    void inWhatIsSent(String address, String field, String sentence) throws Exception {
        send(person("b.calder"), address, Map.of(field, "sick")).andExpect(refused("422 invalid " + field)).andExpect(jsonPath("$.detail").value(sentence));
    }

    @Test
    void insideAList() throws Exception {
        send(person("m.tveit"), "/api/tiers", Map.of("who", "school-1", "year", 1, "window", 1, "area", "Reading", "decisions",
                List.of(Map.of("studentId", 1, "outcome", "CONFIRMED")))).andExpect(refused("422 invalid outcome"));
    }

    @Test
    void inAnAddress() throws Exception {
        read(person("m.tveit"), "/api/changes?kind=mood&asOf=2026-03-13").andExpect(refused("400 unreadable kind"));
    }

    @Test
    void whatIsMissingIsNoCodeEither() throws Exception {
        send(person("b.calder"), "/api/scores", Map.of("studentId", student("Caspian Ng"), "measureId", 1, "takenOn", "2026-03-13", "value", 80))
                .andExpect(refused("422 invalid status"));
    }

    @Test
    void sentAndReadBackItIsTheSame() {
        assertEquals("administrator", people.sql("select role from people_person where login = 'a.sandvik'").query(String.class).single());
        assertEquals("ADMINISTRATOR", person("a.sandvik").role().name());
    }
}
