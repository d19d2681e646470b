package org.zealousladder.server.screening.ladder;

import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;

import org.junit.jupiter.api.Test;
import org.zealousladder.server.ScreeningTest;
import tools.jackson.databind.JsonNode;

/** Who left after a window counts in what is said of that window, and every page says of whom it speaks. */
class LeaversTest extends ScreeningTest {
    @Test
    void whoLeftAfterTheWindowCountsInItAndIsSaidToBeMissing() throws Exception {
        String code = "2025-LEFT";
        newClass(code, 3, "b.calder", "Ada", "Bo");
        take("student,given_name,family_name", code + "-Cy,Cy," + code);
        take("student,class,from,to", code + "-Cy," + code + ",2025-08-25,2026-02-06");
        for (String name : new String[] {"Ada", "Bo", "Cy"}) {
            score(code + "-" + name, "oral-reading", "2026-01-14", 80);
        }
        String of = "?who=class-" + classId(code) + "&year=" + thisYear() + "&asOf=2026-03-13";
        read(person("b.calder"), "/api/ladder" + of + "&measure=" + measure("oral-reading"))
                .andExpect(jsonPath("$.summary", containsString("One who was here then has left since and is not shown.")));
        JsonNode ladder = body(read(person("b.calder"), "/api/ladder" + of + "&measure=" + measure("oral-reading")));
        assertEquals(2, ladder.get("rows").size());
        JsonNode coverage = body(read(person("b.calder"), "/api/coverage" + of));
        assertEquals(3, coverage.at("/classes/0/students").asInt(), "on the window's last day Cy was here");
        JsonNode report = body(read(person("b.calder"), "/api/report" + of + "&measure=" + measure("oral-reading")));
        assertEquals(3, report.get("screened").asInt());
        // While Cy was here nobody was missing.
        JsonNode then = body(read(person("b.calder"), "/api/ladder" + of.replace("2026-03-13", "2026-02-02") + "&measure=" + measure("oral-reading")));
        assertEquals(3, then.get("rows").size());
        assertEquals(-1, then.get("summary").asString().indexOf("left since"));
    }
}
