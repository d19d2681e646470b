package org.zealousladder.server.monitoring.trends;

import static java.util.Objects.requireNonNull;
import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.growth.SteadyPopulation;
import org.zealousladder.core.scores.FormName;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** What moved all who read one passage is not taken for anybody's growth, once somebody has said which it was. */
class FormsInPoolsTest extends ScreeningTest {
    private static final LocalDate FIRST = LocalDate.of(2026, 1, 8);
    private static final LocalDate ASKED = LocalDate.of(2026, 3, 13);
    private static final int WEEKS = 9;

    @Autowired
    private PoolsStore pools;
    @Autowired
    private MeasuresService measures;

    /** An easy passage and a hard one, which the halves of a class read by turns. */
    private static boolean easy(int student, int week) {
        return (student + week) % 2 == 0;
    }

    private void weekly(String code, int students, boolean said) {
        List<String> rows = new ArrayList<>(List.of("student,measure,date,score,form"));
        for (int i = 0; i < students; i++) {
            for (int w = 0; w < WEEKS; w++) {
                int own = (i * 11 + w * 17) % 7 - 3;
                double score = 60 + i + 1.2 * w + (easy(i, w) ? 15 : -15) + own;
                rows.add(code + "-" + (char) ('A' + i) + ",oral-reading," + FIRST.plusWeeks(w) + "," + Math.round(score) + ","
                        + (said ? easy(i, w) ? "The gull" : "the  TIDE mill" : ""));
            }
        }
        take(rows.toArray(String[]::new));
    }

    private PoolFits.Pooled pooled(int grade) {
        return asking(Viewer.SYSTEM,
                () -> requireNonNull(pools.pooled(List.of(new PoolsStore.Grade(school(), grade)), List.of(measures.measure(measure("oral-reading"))),
                        LocalDate.of(2025, 8, 25), ASKED).get(new Pools.Group(measure("oral-reading"), school(), grade))));
    }

    @Test
    void thePassagesThatHalvesOfAClassReadByTurnsAreToldApart() {
        String code = "2025-POOLF";
        int students = 12;
        String[] names = IntStream.range(0, students).mapToObj(i -> String.valueOf((char) ('A' + i))).toArray(String[]::new);
        newClass(code, 13, "b.calder", names);
        weekly(code, students, false);
        List<String> goals = new ArrayList<>(List.of("student,measure,start_date,start_score,goal_date,goal_score"));
        for (String name : names) {
            goals.add(code + "-" + name + ",oral-reading,2026-01-08,60,2026-05-08,85");
        }
        take(goals.toArray(String[]::new));
        PoolFits.Pooled unsaid = pooled(13);
        assertEquals(students, unsaid.series().size());
        assertArrayEquals(new int[WEEKS], forms(unsaid.series().get(0)));
        weekly(code, students, true);
        PoolFits.Pooled said = pooled(13);
        assertArrayEquals(IntStream.range(0, WEEKS).map(w -> FormName.number(easy(0, w) ? "The gull" : "The tide mill")).toArray(),
                forms(said.series().get(0)));
        // The scores are the same, half of them 15 above, half of them 15 below their lines; their own deviations are less than the measure's error, which is the least.
        assertEquals(15, fit(unsaid).residualSd(), 3);
        assertEquals(4.5, fit(said).residualSd(), 0.5);
        assertTrue(fit(said).weekSd() > 10, "the passages' " + fit(said).weekSd());
        JsonNode card = body(read(person("m.tveit"), "/api/trends/" + student("C " + code) + "/" + measure("oral-reading") + "?asOf=" + ASKED)).get("card");
        assertTrue(card.at("/phases/0").has("shrinkage"), "the page's trend is of the pool");
    }

    private static SteadyPopulation fit(PoolFits.Pooled pool) {
        return requireNonNull(new PoolFits().of(Map.of("it", pool)).get("it"));
    }

    private static int[] forms(ScoreSeries s) {
        return IntStream.range(0, s.size()).map(s::form).toArray();
    }
}
