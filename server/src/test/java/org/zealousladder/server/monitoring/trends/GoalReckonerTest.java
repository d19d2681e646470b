package org.zealousladder.server.monitoring.trends;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.zealousladder.core.decisions.Rule;
import org.zealousladder.core.goals.GoalKind;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.monitoring.trends.GoalReckoner.Draft;
import org.zealousladder.server.screening.norms.NormsService.GrowthTable;
import org.zealousladder.server.screening.norms.NormsView.NormPoint;

/** What a goal comes to, worked by hand; no records are read. */
class GoalReckonerTest {
    private static final LocalDate START = LocalDate.of(2026, 1, 5);
    private static final LocalDate TEN_WEEKS = START.plusWeeks(10);
    private static final GrowthTable NORMS = new GrowthTable("Sample norms", List.of(new NormPoint(10, 0.4), new NormPoint(50, 1.2), new NormPoint(90, 2.0)));
    private static final GrowthTable FALLING = new GrowthTable("Sample norms",
            List.of(new NormPoint(10, -0.1), new NormPoint(50, -0.5), new NormPoint(90, -1.5)));

    private static Measure measure(String better, double highest, int decimals) {
        return new Measure(1, "m", "Oral reading", "probe", "Reading", "words", 0, highest, decimals, better, 4.5, Rule.CHANCE, 6, 4, 4, 0.25, 0.9);
    }

    private static final Measure WORDS = measure("higher", 250, 0);

    private static Draft draft(GoalKind kind, double from, Integer percentile, Double factor, Double score) {
        return new Draft(kind, START, from, TEN_WEEKS, percentile, factor, score, null);
    }

    private static GoalAdvice advise(GrowthTable table, Draft draft, Double own) {
        return new GoalReckoner(WORDS, table).advise(draft, own, score -> score / 1000);
    }

    @Test
    void growthOfAPercentileIsKeptUpUntilTheDate() {
        GoalAdvice advice = advise(NORMS, draft(GoalKind.NORM_GROWTH, 50, 70, null, null), null);
        assertEquals(66, advice.goalScore(), "50 + 10 weeks at 1.6");
        assertEquals(1.6, advice.neededPerWeek(), 1e-12);
        assertEquals(70, advice.percentile());
        assertFalse(advice.unusual());
        assertEquals("Growth at the 70th percentile of Sample norms: 1.6 a week", advice.basis());
        assertEquals("As much as the 70th percentile of students grows (Sample norms).", advice.norms());
        assertEquals("Needs 1.6 a week for 10 weeks.", advice.sentence());
        assertEquals(0.066, advice.chance(), 1e-12, "the chance is asked for the goal that came out");
        assertEquals(62, advise(NORMS, draft(GoalKind.NORM_GROWTH, 50, null, null, null), null).goalScore(), "the median where no percentile is given");
    }

    @Test
    void theOwnPaceIsMultipliedUnlessItIsNotGettingBetter() {
        GoalAdvice advice = advise(NORMS, draft(GoalKind.OWN_PACE, 50, null, null, null), 0.8);
        assertEquals(62, advice.goalScore(), "50 + 10 weeks at one and a half times 0.8");
        assertEquals("1.5 times the own pace of 0.8 a week", advice.basis());
        assertEquals(66, advise(NORMS, draft(GoalKind.OWN_PACE, 50, null, 2.0, null), 0.8).goalScore());
        assertTrue(advise(NORMS, draft(GoalKind.OWN_PACE, 50, null, null, null), -0.1).problem().contains("not getting better"));
        assertTrue(advise(NORMS, draft(GoalKind.OWN_PACE, 50, null, null, null), null).problem().contains("Three scores make one"));
    }

    @Test
    void moreThanTheNinetiethPercentileIsSaidAndAllowed() {
        GoalAdvice advice = advise(NORMS, draft(GoalKind.BY_HAND, 50, null, null, 80.0), null);
        assertEquals(80, advice.goalScore());
        assertTrue(advice.unusual());
        assertEquals("More growth than the highest percentile of the table, the 90th (Sample norms). That is out of the ordinary: few students grow as fast. "
                + "It can be set all the same.", advice.norms());
        GoalAdvice low = advise(NORMS, draft(GoalKind.BY_HAND, 50, null, null, 52.0), null);
        assertFalse(low.unusual());
        assertTrue(low.norms().startsWith("Less growth than the lowest percentile"), low.norms());
    }

    @Test
    void withoutNormsThereIsNoPlaceAmongThemButAGoalByHand() {
        GoalAdvice advice = advise(null, draft(GoalKind.BY_HAND, 50, null, null, 70.0), null);
        assertNull(advice.norms());
        assertNull(advice.percentile());
        assertFalse(advice.unusual());
        assertEquals("Set by hand", advice.basis());
        assertTrue(advise(null, draft(GoalKind.NORM_GROWTH, 50, 50, null, null), null).problem().startsWith("There is no table of growth"));
        assertTrue(advise(NORMS, draft(GoalKind.NORM_GROWTH, 50, 95, null, null), null).problem().contains("does not reach"));
    }

    @Test
    void aGoalBeforeItsStartOrNoBetterThanItIsNone() {
        assertEquals("The goal date must be after the start date.",
                advise(NORMS, new Draft(GoalKind.BY_HAND, START, 50, START, null, null, 60.0, null), null).problem());
        assertTrue(advise(NORMS, draft(GoalKind.BY_HAND, 50, null, null, 50.0), null).problem().endsWith("It should be higher."));
        assertEquals("Give the goal's score.", advise(NORMS, draft(GoalKind.BY_HAND, 50, null, null, null), null).problem());
        GoalAdvice none = advise(NORMS, draft(GoalKind.BENCHMARK, 50, null, null, 40.0), null);
        assertNull(none.goalScore());
        assertNull(none.sentence());
    }

    @Test
    void theGoalStaysWithinTheMeasureAndInItsDecimals() {
        GoalReckoner small = new GoalReckoner(measure("higher", 60, 0), NORMS);
        assertEquals(60, small.advise(draft(GoalKind.NORM_GROWTH, 50, 90, null, null), null, s -> null).goalScore(), "70 is more than the measure has");
        GoalReckoner fine = new GoalReckoner(measure("higher", 250, 1), NORMS);
        assertEquals(50.4, fine.advise(draft(GoalKind.OWN_PACE, 50, null, 1.0, null), 0.0367, s -> null).goalScore(), 1e-12);
        assertEquals("Needs 0.04 a week for 10 weeks.", fine.advise(draft(GoalKind.OWN_PACE, 50, null, 1.0, null), 0.0367, s -> null).sentence());
    }

    @Test
    void whereLowerIsBetterEverythingTurns() {
        GoalReckoner errors = new GoalReckoner(measure("lower", 250, 0), FALLING);
        GoalAdvice advice = errors.advise(draft(GoalKind.NORM_GROWTH, 40, 50, null, null), null, s -> null);
        assertEquals(35, advice.goalScore());
        assertEquals(-0.5, advice.neededPerWeek(), 1e-12);
        assertTrue(errors.advise(draft(GoalKind.BY_HAND, 40, null, null, 45.0), null, s -> null).problem().endsWith("It should be lower."));
        assertTrue(errors.advise(draft(GoalKind.BY_HAND, 40, null, null, 10.0), null, s -> null).unusual(), "three fewer a week is beyond the 90th");
        assertEquals(32, errors.advise(draft(GoalKind.OWN_PACE, 40, null, 2.0, null), -0.4, s -> null).goalScore());
    }

    @ParameterizedTest
    @CsvSource({"1,1st", "2,2nd", "3,3rd", "4,4th", "11,11th", "12,12th", "13,13th", "21,21st", "52,52nd", "63,63rd", "90,90th"})
    void numbersAreReadAsOrdinals(long n, String words) {
        assertEquals(words, GoalReckoner.ordinal(n));
    }

    @Test
    void neededGrowthGrowsWithTheGoalAndTheChanceIsAskedForEach() {
        List<Double> asked = new ArrayList<>();
        double before = 0;
        for (double goal = 55; goal <= 120; goal += 5) {
            GoalAdvice advice = new GoalReckoner(WORDS, NORMS).advise(draft(GoalKind.BY_HAND, 50, null, null, goal), null, s -> {
                asked.add(s);
                return 0.5;
            });
            assertTrue(advice.neededPerWeek() > before);
            before = advice.neededPerWeek();
        }
        assertEquals(14, asked.size());
        assertEquals(120, asked.get(13));
    }
}
