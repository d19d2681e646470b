package org.zealousladder.core.work;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.engagement.Engagement.Flag;
import org.zealousladder.core.engagement.EngagementRule;
import org.zealousladder.core.engagement.RuleSetting;

/** By hand-worked tables. */
class CourseWorkTest {
    private static final LocalDate DUE = LocalDate.of(2026, 3, 6);
    private static final LocalDate AFTER = LocalDate.of(2026, 3, 13);
    private static final RuleSetting NOT_IN = new RuleSetting(true, 3, 1 / 3.0, 4, false);

    private static Attempt on(int day, @Nullable Double points) {
        return new Attempt(LocalDate.of(2026, 3, day), points, 10);
    }

    private static WorkResult of(@Nullable WorkState told, Counting counting, LocalDate asOf, Attempt... attempts) {
        return WorkResult.of(told, List.of(attempts), DUE, 20, asOf, counting);
    }

    private static Counting by(WhichAttempt which) {
        return new Counting(which, true, false);
    }

    @Test
    void whatBecameOfAPieceOfWork() {
        Counting c = Counting.STANDARD;
        assertEquals(WorkState.TO_COME, of(null, c, DUE).state());
        assertEquals(WorkState.MISSING, of(null, c, DUE.plusDays(1)).state());
        assertEquals(WorkState.MISSING, of(WorkState.MISSING, c, DUE.minusDays(3)).state());
        assertEquals(WorkState.IN_PROGRESS, of(WorkState.IN_PROGRESS, c, AFTER).state());
        assertEquals(WorkState.EXCUSED, of(WorkState.EXCUSED, c, AFTER, on(5, 4.0)).state());
        assertEquals(WorkState.HANDED_IN, of(null, c, AFTER, on(5, null)).state());
        WorkResult marked = of(null, c, AFTER, on(9, 4.0));
        assertEquals(WorkState.MARKED, marked.state());
        assertTrue(marked.late());
        // Four of ten, of a piece of twenty.
        assertEquals(8.0, marked.points());
    }

    @Test
    void whichAttemptCountsAndWhetherALateOneDoes() {
        Attempt[] all = {on(9, 9.0), on(3, 4.0), on(5, 8.0)};
        assertEquals(18.0, of(null, by(WhichAttempt.LATEST), AFTER, all).points());
        assertEquals(18.0, of(null, by(WhichAttempt.BEST), AFTER, all).points());
        assertEquals(8.0, of(null, by(WhichAttempt.FIRST), AFTER, all).points());
        assertEquals(14.0, of(null, by(WhichAttempt.MEAN), AFTER, all).points(), 1e-12);
        Counting inTime = new Counting(WhichAttempt.LATEST, false, false);
        assertEquals(16.0, of(null, inTime, AFTER, all).points());
        // Not late: the first came in time.
        assertEquals(false, of(null, inTime, AFTER, all).late());
        WorkResult onlyLate = of(null, inTime, AFTER, on(9, 9.0));
        assertEquals(WorkState.MISSING, onlyLate.state());
        assertTrue(onlyLate.late());
        // An unmarked attempt after a marked one: what was marked counts.
        assertEquals(8.0, of(null, by(WhichAttempt.LATEST), AFTER, on(3, 4.0), on(5, null)).points());
    }

    /** Marked 8 of 10, marked 5 of 20, missing 10, handed in 5, to come 30, excused 10. */
    private static List<WorkResult> term() {
        return List.of(new WorkResult(WorkState.MARKED, false, 8.0, 10, DUE), new WorkResult(WorkState.MARKED, true, 5.0, 20, DUE),
                new WorkResult(WorkState.MISSING, false, null, 10, DUE), new WorkResult(WorkState.HANDED_IN, false, null, 5, DUE),
                new WorkResult(WorkState.TO_COME, false, null, 30, AFTER.plusDays(7)), new WorkResult(WorkState.EXCUSED, false, null, 10, DUE));
    }

    @Test
    void theThreeSumsAreNeverMixedUp() {
        WorkSums sums = WorkSums.of(term(), AFTER, Counting.STANDARD);
        assertEquals(13, sums.soFar());
        assertEquals(75, sums.ofAll());
        assertEquals(13.0 / 30, sums.shareEarned().orElseThrow(), 1e-12);
        assertEquals(35.0 / 45, sums.shareAttempted().orElseThrow(), 1e-12);
        assertEquals(List.of(2, 4, 1), List.of(sums.marked(), sums.due(), sums.missing()));
        WorkSums strict = WorkSums.of(term(), AFTER, new Counting(WhichAttempt.LATEST, true, true));
        assertEquals(13.0 / 40, strict.shareEarned().orElseThrow(), 1e-12);
        assertEquals(sums.shareAttempted(), strict.shareAttempted());
        assertTrue(WorkSums.of(List.of(), AFTER, Counting.STANDARD).shareEarned().isEmpty());
        assertTrue(WorkSums.of(List.of(), AFTER, Counting.STANDARD).shareAttempted().isEmpty());
    }

    @Test
    void whatIsExcusedOrToComeMovesNoShare() {
        Random random = new Random(5);
        for (int i = 0; i < 200; i++) {
            List<WorkResult> all = new ArrayList<>();
            for (int k = 0; k < 8; k++) {
                double possible = 1 + random.nextInt(40);
                WorkState state = WorkState.values()[random.nextInt(WorkState.values().length)];
                all.add(new WorkResult(state, false, state == WorkState.MARKED ? possible * random.nextDouble() : null, possible,
                        state == WorkState.TO_COME ? AFTER.plusDays(3) : DUE));
            }
            Counting c = new Counting(WhichAttempt.BEST, true, random.nextBoolean());
            WorkSums sums = WorkSums.of(all, AFTER, c);
            WorkSums without = WorkSums.of(all.stream().filter(r -> r.state() != WorkState.EXCUSED && r.state() != WorkState.TO_COME).toList(), AFTER, c);
            assertEquals(sums.shareEarned(), without.shareEarned());
            assertEquals(sums.shareAttempted(), without.shareAttempted());
            assertTrue(sums.soFar() <= sums.ofAll() && sums.soFar() == without.soFar());
        }
    }

    @Test
    void aScaleOfMarksGrowsFromZero() {
        MarkScale scale = new MarkScale(
                List.of(new MarkScale.Rung("at the start", 0), new MarkScale.Rung("on the way", 0.5), new MarkScale.Rung("there", 0.9)));
        assertEquals("at the start", scale.at(0).name());
        assertEquals("on the way", scale.at(0.5).name());
        assertEquals("there", scale.at(0.9).name());
        assertEquals("there", scale.at(9 * 0.1).name());
        assertEquals("there", scale.at(1.2).name());
        for (List<MarkScale.Rung> wrong : List.of(List.of(new MarkScale.Rung("one", 0)), List.of(new MarkScale.Rung("a", 0.1), new MarkScale.Rung("b", 0.5)),
                List.of(new MarkScale.Rung("a", 0), new MarkScale.Rung("b", 0)), List.of(new MarkScale.Rung("a", 0), new MarkScale.Rung("a ", 0.5)),
                List.of(new MarkScale.Rung("a", 0), new MarkScale.Rung(" ", 0.5)), List.of(new MarkScale.Rung("a", 0), new MarkScale.Rung("b", 1.01)))) {
            assertThrows(IllegalArgumentException.class, () -> new MarkScale(wrong), wrong.toString());
        }
    }

    private static WorkResult due(int daysBefore, WorkState state, @Nullable Double points) {
        return new WorkResult(state, false, points, 10, AFTER.minusDays(daysBefore));
    }

    @Test
    void workThatIsNotInIsCountedInTheNewestWeeks() {
        List<WorkResult> three = List.of(due(2, WorkState.MISSING, null), due(9, WorkState.MISSING, null), due(20, WorkState.MISSING, null),
                due(40, WorkState.MISSING, null));
        assertEquals(new Flag(EngagementRule.WORK_NOT_IN, 3, 3, AFTER.minusDays(20)), WorkRules.notIn(three, AFTER, NOT_IN).orElseThrow());
        // One of two is half, but of two nothing is told; one of three is a third.
        List<WorkResult> oneOfTwo = List.of(due(2, WorkState.MISSING, null), due(9, WorkState.HANDED_IN, null));
        assertTrue(WorkRules.notIn(oneOfTwo, AFTER, NOT_IN).isEmpty());
        List<WorkResult> oneOfThree = new ArrayList<>(oneOfTwo);
        oneOfThree.add(due(12, WorkState.MARKED, 3.0));
        assertEquals(1 / 3.0, WorkRules.notIn(oneOfThree, AFTER, NOT_IN).orElseThrow().actual(), 1e-12);
        oneOfThree.add(due(13, WorkState.MARKED, 3.0));
        assertTrue(WorkRules.notIn(oneOfThree, AFTER, NOT_IN).isEmpty());
        // What is excused, or still in progress, is not missing.
        assertTrue(WorkRules.notIn(List.of(due(2, WorkState.EXCUSED, null), due(3, WorkState.EXCUSED, null), due(4, WorkState.EXCUSED, null)), AFTER, NOT_IN)
                .isEmpty());
        assertTrue(WorkRules.tellsNotIn(three, AFTER, NOT_IN));
        assertTrue(!WorkRules.tellsNotIn(List.of(due(40, WorkState.MISSING, null)), AFTER, NOT_IN));
    }

    @Test
    void marksAreLowUnderALineSinceTheyFellUnderIt() {
        List<WorkResult> falling = List.of(due(30, WorkState.MARKED, 8.0), due(20, WorkState.MARKED, 1.0), due(10, WorkState.MARKED, 3.0),
                due(5, WorkState.MARKED, 4.0));
        Flag low = WorkRules.lowMarks(falling, 0.5, Counting.STANDARD).orElseThrow();
        assertEquals(0.4, low.actual(), 1e-12);
        // 8 of 10, 9 of 20: under a half from the second on.
        assertEquals(AFTER.minusDays(20), low.since());
        assertTrue(WorkRules.lowMarks(falling.subList(1, 3), 0.5, Counting.STANDARD).isEmpty(), "of two nothing is told");
        List<WorkResult> missing = List.of(due(30, WorkState.MARKED, 6.0), due(20, WorkState.MARKED, 6.0), due(10, WorkState.MISSING, null));
        assertTrue(WorkRules.lowMarks(missing, 0.5, Counting.STANDARD).isEmpty());
        assertEquals(0.4, WorkRules.lowMarks(missing, 0.5, new Counting(WhichAttempt.LATEST, true, true)).orElseThrow().actual(), 1e-12);
        RuleSetting quarter = new RuleSetting(true, 0.5, 0, 0, true);
        assertTrue(WorkRules.lowLine(new double[] {0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7}, quarter).isEmpty());
        assertEquals(0.3, WorkRules.lowLine(new double[] {0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9}, quarter).orElseThrow(), 1e-12);
        assertEquals(WorkRules.Below.SOFT, WorkRules.below(0.7, 0.8, WorkRules.SOFT, WorkRules.STRONG));
        assertEquals(WorkRules.Below.STRONG, WorkRules.below(0.6, 0.8, WorkRules.SOFT, WorkRules.STRONG));
        assertEquals(WorkRules.Below.NOT, WorkRules.below(0.71, 0.8, WorkRules.SOFT, WorkRules.STRONG));
    }
}
