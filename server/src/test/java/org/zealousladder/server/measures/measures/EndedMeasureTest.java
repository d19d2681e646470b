package org.zealousladder.server.measures.measures;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.hamcrest.Matchers;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.exchange.records.ImportResult;
import org.zealousladder.server.platform.who.Viewer;

/** A measure of this test's own that is not given any more: typed, by file, and owed by nobody. */
class EndedMeasureTest extends ScreeningTest {
    private void end(Viewer who, int measure, String day) throws Exception {
        call(who, put("/api/measures/" + measure + "/ends").contentType("application/json").content(day == null ? "{}" : "{\"ends\":\"" + day + "\"}"))
                .andExpect(status().isNoContent());
    }

    private Map<String, Object> score(int student, int measure, String day) {
        return new HashMap<>(Map.of("studentId", student, "measureId", measure, "takenOn", day, "value", 5, "status", "scored"));
    }

    @Test
    void afterItsLastDayNoScoreIsTakenAndWhatWasScoredStays() throws Exception {
        String code = "2025-ENDED";
        newClass(code, 5, "b.calder", "Ada", "Bo");
        take("measure,title,kind,area,unit,lowest,highest,decimals,better,sem,rule", "old-words,Old words,probe,Ending,words,0,50,0,higher,,chance");
        take("measure,grade,year,window,band,tier,from_score", "old-words,5,2025-26,Winter,Low,2,", "old-words,5,2025-26,Winter,High,1,20",
                "old-words,5,2025-26,Spring,Low,2,",
                "old-words,5,2025-26,Spring,High,1,20");
        int measure = measure("old-words");
        int ada = student("Ada " + code);
        Viewer teacher = person("b.calder");
        send(teacher, "/api/scores", score(ada, measure, "2026-01-14")).andExpect(status().isNoContent());
        call(teacher, put("/api/measures/" + measure + "/ends").contentType("application/json").content("{\"ends\":\"2026-01-31\"}"))
                .andExpect(refused("403 forbidden"));
        end(person("a.sandvik"), measure, "2026-01-31");
        send(teacher, "/api/scores", score(ada, measure, "2026-02-10")).andExpect(refused("422 invalid takenOn"))
                .andExpect(jsonPath("$.detail", Matchers.containsString("Old words is given until 31 Jan 2026")));
        send(teacher, "/api/scores", score(student("Bo " + code), measure, "2026-01-20")).andExpect(status().isNoContent());
        signInHere(Viewer.SYSTEM);
        ImportResult file = imports
                .take(TestServer.csv("student,measure,date,score", code + "-Ada,old-words,2026-02-11,7", code + "-Ada,old-words,2026-01-28,7"));
        assertEquals(List.of(1, 1), List.of(file.added(), file.refused()));
        assertEquals("The measure is given until 2026-01-31.", file.refusals().get(0).message());
        signOutHere();
        end(person("a.sandvik"), measure, null);
        send(teacher, "/api/scores", score(ada, measure, "2026-02-10")).andExpect(status().isNoContent());
    }

    @Test
    void whatEndedBeforeTheWindowOpenedIsOwedByNobody() throws Exception {
        String code = "2025-ENDTWO";
        newClass(code, 6, "b.calder", "Cy");
        take("measure,title,kind,area,unit,lowest,highest,decimals,better,sem,rule", "old-sums,Old sums,probe,Ending,sums,0,50,0,higher,,chance");
        take("measure,grade,year,window,band,tier,from_score", "old-sums,6,2025-26,Winter,Low,2,", "old-sums,6,2025-26,Winter,High,1,20");
        int measure = measure("old-sums");
        String coverage = "/api/coverage?who=class-" + classId(code) + "&year=" + thisYear() + "&asOf=2026-03-13&window=" + window("Winter");
        assertEquals(List.of("Cy " + code), owing(coverage));
        end(person("a.sandvik"), measure, "2026-01-11");
        assertEquals(List.of(), owing(coverage));
        end(person("a.sandvik"), measure, "2026-01-12");
        assertEquals(List.of("Cy " + code), owing(coverage), "it was given on the window's first day");
        end(person("a.sandvik"), measure, "2026-01-11");
        end(person("a.sandvik"), measure, null);
        assertEquals(List.of("Cy " + code), owing(coverage));
    }

    private List<String> owing(String coverage) throws Exception {
        return body(read(person("a.sandvik"), coverage).andExpect(status().isOk())).get("untested").valueStream()
                .filter(u -> u.get("measure").asString().equals("Old sums")).map(u -> u.at("/student/name").asString()).toList();
    }
}
