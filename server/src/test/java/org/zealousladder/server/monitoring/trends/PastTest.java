package org.zealousladder.server.monitoring.trends;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.springframework.test.context.TestPropertySource;
import org.zealousladder.core.calibration.World;
import org.zealousladder.server.ScreeningTest;
import tools.jackson.databind.JsonNode;

/** What was said of last year's goals against what came of them, in a school whose year is known to the letter. */
@TestPropertySource(properties = "ladder.test.records=past")
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class PastTest extends ScreeningTest {
    private static final LocalDate FIRST = LocalDate.of(2024, 10, 7);

    /** Two grades of twenty, a score every Monday for 25 weeks, goals due with the last; and one class of five in another school. */
    @BeforeAll
    void lastYear() {
        take("year,starts,ends", "2024-25,2024-08-26,2025-06-27");
        take("measure,title,kind,area,unit,lowest,highest,decimals,better,sem,rule", "oral-reading,Oral reading,probe,Reading,words,0,250,0,higher,4.5,chance");
        take("school,name", "PASTA,Long shore school", "PASTB,Short shore school");
        take("login,person,role,school", "p.head,P. Head,coordinator,PASTA", "q.head,Q. Head,coordinator,PASTB");
        SplittableRandom random = new SplittableRandom(12);
        room("PASTA", 3, 20, random);
        room("PASTA", 4, 20, random);
        room("PASTB", 3, 5, random);
    }

    private void room(String school, int grade, int students, SplittableRandom random) {
        String code = school + "-" + grade;
        take("class,school,year,name,grade", code + "," + school + ",2024-25," + code + "," + grade);
        List<String> names = new ArrayList<>(List.of("student,given_name,family_name"));
        List<String> places = new ArrayList<>(List.of("student,class,from,to"));
        List<String> scores = new ArrayList<>(List.of("student,measure,date,score"));
        List<String> goals = new ArrayList<>(List.of("student,measure,start_date,start_score,goal_date,goal_score"));
        int k = 0;
        for (World.Student s : World.INDEPENDENT.classroom(random, students, 25)) {
            String student = code + "-" + k++;
            names.add(student + ",Given" + k + "," + code);
            places.add(student + "," + code + ",2024-08-26,2025-06-27");
            for (int i = 0; i < 25; i++) {
                scores.add(student + ",oral-reading," + FIRST.plusWeeks(i) + "," + Math.max(0, Math.round(s.series().score(i))));
            }
            double start = Math.max(0, Math.round(s.series().score(0)));
            goals.add(student + ",oral-reading," + FIRST + "," + start + "," + FIRST.plusWeeks(24) + "," + Math.round(Math.max(start + 1, s.goal())));
        }
        take(names.toArray(String[]::new));
        take(places.toArray(String[]::new));
        take(scores.toArray(String[]::new));
        take(goals.toArray(String[]::new));
    }

    private JsonNode past(String login, String school) throws Exception {
        int id = db.sql("select id from roster_school where code = :code").param("code", school).query(Integer.class).single();
        return body(read(person(login), "/api/trends/past?who=school-" + id + "&asOf=2026-03-13"));
    }

    @Test
    void whatWasSaidIsCountedAgainstWhatCame() throws Exception {
        JsonNode view = past("p.head", "PASTA");
        assertEquals(40, view.get("goals").asInt());
        assertEquals(2, view.get("looks").size());
        for (JsonNode look : view.get("looks")) {
            assertEquals(40, look.get("said").asInt(), "of all of them a chance was said");
            int n = 0;
            int met = 0;
            for (JsonNode f : look.get("fifths")) {
                n += f.get("goals").asInt();
                met += f.get("met").asInt();
                assertTrue(f.get("from").asDouble() <= f.get("said").asDouble() && f.get("said").asDouble() <= f.get("to").asDouble(), f.toString());
                assertTrue(f.get("low").asDouble() <= f.get("met").asDouble() / f.get("goals").asInt() + 1e-9, f.toString());
                assertFalse(f.get("off").asBoolean(), "chances are right in this world: " + f);
            }
            assertEquals(40, n);
            assertEquals(met, look.get("met").asInt());
            assertTrue(look.get("usualLow").asInt() <= met && met <= look.get("usualHigh").asInt(), "as many as were foretold, within chance: " + look);
            assertTrue(look.get("usualHigh").asInt() - look.get("usualLow").asInt() < 16, "which is told closely: " + look);
            assertTrue(met(look, 0.5, 1) > 1.5 * met(look, 0, 0.5), "more of those that were likely came: " + look);
        }
    }

    /** Share that was met of those of which a chance in between was said. */
    private static double met(JsonNode look, double from, double to) {
        int goals = 0;
        int met = 0;
        for (JsonNode f : look.get("fifths")) {
            if (f.get("said").asDouble() > from && f.get("said").asDouble() <= to) {
                goals += f.get("goals").asInt();
                met += f.get("met").asInt();
            }
        }
        return (double) met / goals;
    }

    @Test
    void fewGoalsSayNothingAndOthersSchoolsStayShut() throws Exception {
        JsonNode view = past("q.head", "PASTB");
        assertEquals(5, view.get("goals").asInt());
        assertEquals(30, view.get("needed").asInt());
        assertEquals(0, view.get("looks").size());
        int other = db.sql("select id from roster_school where code = 'PASTA'").query(Integer.class).single();
        read(person("q.head"), "/api/trends/past?who=school-" + other + "&asOf=2026-03-13").andExpect(status().isForbidden());
    }
}
