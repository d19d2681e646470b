package org.zealousladder.core.engagement;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.calendar.SchoolDays;

/** The rules about time, against tables worked by hand. */
class EngagementTest {
    private static final LocalDate FIRST = LocalDate.of(2026, 1, 5);

    /** Four classmates who do the same every week, the student first. */
    private static ClassWeeks beside(double... own) {
        return beside(new boolean[own.length], own);
    }

    private static ClassWeeks beside(boolean[] closed, double... own) {
        List<double[]> all = new ArrayList<>(List.of(own));
        for (double usual : new double[] {50, 60, 70, 80}) {
            double[] weeks = new double[own.length];
            java.util.Arrays.fill(weeks, usual);
            all.add(weeks);
        }
        return new ClassWeeks(all, closed);
    }

    private static LocalDate friday(int weeks) {
        return FIRST.plusWeeks(weeks - 1L).plusDays(4);
    }

    private static Engagement.Judged judge(ClassWeeks weeks, EngagementSettings settings) {
        return new Engagement(weeks, FIRST, SchoolDays.MONDAY_TO_FRIDAY, friday(weeks.weeks()), settings).judge(0,
                new Engagement.Seen(FIRST, friday(weeks.weeks())));
    }

    private static EngagementSettings only(EngagementRule rule, RuleSetting setting) {
        Map<EngagementRule, RuleSetting> rules = new java.util.EnumMap<>(EngagementRule.class);
        for (EngagementRule r : EngagementRule.values()) {
            rules.put(r, r == rule ? setting : r.standard().off());
        }
        return new EngagementSettings(rules);
    }

    private static EngagementSettings only(EngagementRule rule) {
        return only(rule, rule.standard());
    }

    @Test
    void theClassesWeekIsTheMedianAndAWeekUnderATenthOfTheUsualIsStill() {
        // Medians 60, 60, 5, 60, 6: the median of these is 60, a tenth of it 6.
        ClassWeeks weeks = new ClassWeeks(List.of(new double[] {40, 60, 5, 61, 0}, new double[] {60, 10, 0, 60, 6}, new double[] {90, 70, 30, 30, 90}),
                new boolean[5]);
        assertEquals(60, weeks.median(0));
        assertEquals(5, weeks.median(2));
        assertEquals(List.of(false, false, true, false, false), List.of(weeks.still(0), weeks.still(1), weeks.still(2), weeks.still(3), weeks.still(4)));
    }

    @Test
    void aWeekWithoutASchoolDayIsStillWhateverSomeDidAtHome() {
        ClassWeeks weeks = beside(new boolean[] {false, false, true, false}, 60, 10, 60, 10);
        assertTrue(weeks.still(2));
        Engagement.Flag quiet = judge(weeks, only(EngagementRule.QUIET)).flags().get(0);
        assertEquals(FIRST.plusWeeks(1), quiet.since(), "the quiet weeks are the second and the fourth, with none between them that counts");
    }

    @Test
    void quietIsUnderHalfTheClassForTwoWeeksSinceTheFirstOfThem() {
        // The class's weeks are 60 (with the student's own among five), so half is 30.
        Engagement.Judged judged = judge(beside(60, 60, 29, 20, 10), only(EngagementRule.QUIET));
        assertEquals(List.of(new Engagement.Flag(EngagementRule.QUIET, 0.25, 0.5, FIRST.plusWeeks(2))), judged.flags(),
                "30 of 120 minutes in the newest two weeks");
        assertEquals(List.of(), judge(beside(60, 10, 10, 40, 10), only(EngagementRule.QUIET)).flags(), "one week is not two");
        assertEquals(List.of(), judge(beside(60, 10, 10, 30, 30), only(EngagementRule.QUIET)).flags(), "half is not under half");
        assertEquals(List.of(EngagementRule.QUIET), judge(beside(10.0), only(EngagementRule.QUIET)).cannotTell());
    }

    @Test
    void quietCanAskForTheLowestQuarterInstead() {
        RuleSetting quarter = new RuleSetting(true, 0.5, 0, 2, true);
        // Sorted 45 50 60 70 80: a quarter of the way (type 7) is 50.
        Engagement.Flag flag = judge(beside(60, 45, 41), only(EngagementRule.QUIET, quarter)).flags().get(0);
        assertEquals(new Engagement.Flag(EngagementRule.QUIET, 43, 50, FIRST.plusWeeks(1)), flag);
        assertEquals(List.of(), judge(beside(60, 50, 41), only(EngagementRule.QUIET, quarter)).flags());
    }

    @Test
    void notSeenCountsSchoolDaysAndNoneOfAStillWeek() {
        ClassWeeks weeks = beside(60, 60, 60, 60);
        SchoolDays noWednesday = new SchoolDays(EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY),
                List.of(new SchoolDays.Span(LocalDate.of(2026, 1, 21), LocalDate.of(2026, 1, 21))), List.of());
        // Last seen on Friday the 16th. Until Tuesday the 27th: five days of a week less one, and two.
        Engagement.Seen seen = new Engagement.Seen(FIRST, LocalDate.of(2026, 1, 16));
        Engagement on27 = new Engagement(weeks, FIRST, noWednesday, LocalDate.of(2026, 1, 27), only(EngagementRule.NOT_SEEN));
        assertEquals(List.of(new Engagement.Flag(EngagementRule.NOT_SEEN, 6, 5, LocalDate.of(2026, 1, 19))), on27.judge(0, seen).flags());
        Engagement on23 = new Engagement(weeks, FIRST, noWednesday, LocalDate.of(2026, 1, 23), only(EngagementRule.NOT_SEEN));
        assertEquals(List.of(), on23.judge(0, seen).flags(), "four days");

        ClassWeeks storm = new ClassWeeks(List.of(new double[] {60, 60, 0, 60}, new double[] {60, 60, 2, 60}, new double[] {60, 60, 1, 60}), new boolean[4]);
        Engagement after = new Engagement(storm, FIRST, SchoolDays.MONDAY_TO_FRIDAY, LocalDate.of(2026, 1, 27), only(EngagementRule.NOT_SEEN));
        assertEquals(List.of(), after.judge(0, seen).flags(), "two days, since nobody was there in the week before");
    }

    @Test
    void whoNeverDidAnythingSinceTheFirstRecordIsNotSeenAndWhoHasNoRecordCannotBeTold() {
        Engagement on = new Engagement(beside(0, 0), FIRST, SchoolDays.MONDAY_TO_FRIDAY, friday(2), only(EngagementRule.NOT_SEEN));
        assertEquals(List.of(new Engagement.Flag(EngagementRule.NOT_SEEN, 8, 5, FIRST.plusDays(2))),
                on.judge(0, new Engagement.Seen(FIRST.plusDays(2), null)).flags());
        assertEquals(List.of(EngagementRule.NOT_SEEN), on.judge(0, new Engagement.Seen(null, null)).cannotTell());
    }

    @Test
    void droppedIsAFallOfOnesOwn() {
        // Log-ratios to 65, the median of the four others with the student's own beside them left as it is: own weeks before 60 or so, then a fifth of that.
        Engagement.Flag flag = judge(beside(60, 66, 54, 60, 63, 57, 12, 12), only(EngagementRule.DROPPED)).flags().get(0);
        assertEquals(FIRST.plusWeeks(6), flag.since());
        // The company's week is 60, 66, 60, 60, 63, 60 and then 60: ratios 1, 1, 0.9, 1, 1, 0.95; their median is log 1 and the median deviation 0, so that the least
        // spread of 0.2 holds: log(0.2) / 0.2 = 8.047.
        assertEquals(8.047, flag.actual(), 0.001);
        assertEquals(2.5, flag.threshold());
        assertEquals(List.of(), judge(beside(60, 66, 54, 60, 63, 57, 55, 56), only(EngagementRule.DROPPED)).flags());
        assertEquals(List.of(EngagementRule.DROPPED), judge(beside(60, 66, 54, 60, 63, 57, 12), only(EngagementRule.DROPPED)).cannotTell(),
                "seven weeks are one too few");
    }

    @Test
    void aFallOfEverybodyIsNobodys() {
        List<double[]> all = new ArrayList<>();
        for (double usual : new double[] {50, 60, 70}) {
            all.add(new double[] {usual, usual, usual, usual, usual, usual, usual / 4, usual / 4});
        }
        Engagement on = new Engagement(new ClassWeeks(all, new boolean[8]), FIRST, SchoolDays.MONDAY_TO_FRIDAY, friday(8), EngagementSettings.standard());
        for (int i = 0; i < 3; i++) {
            assertEquals(List.of(), on.judge(i, new Engagement.Seen(FIRST, friday(8))).flags());
        }
    }

    @Test
    void aThresholdThatCannotBeSaysWhatCan() {
        assertEquals("The threshold of not-seen is a whole number from 1 to 60.",
                assertThrows(IllegalArgumentException.class, () -> only(EngagementRule.NOT_SEEN, new RuleSetting(true, 2.5, 0, 0, false))).getMessage());
        assertEquals("The threshold of quiet is from 0.01 to 1.",
                assertThrows(IllegalArgumentException.class, () -> only(EngagementRule.QUIET, new RuleSetting(true, Double.NaN, 0, 2, false))).getMessage());
        assertEquals("The weeks of dropped are 1 to 6.",
                assertThrows(IllegalArgumentException.class, () -> only(EngagementRule.DROPPED, new RuleSetting(true, 2, 0, 7, false))).getMessage());
        assertFalse(only(EngagementRule.QUIET).on(EngagementRule.DROPPED));
        assertThrows(IllegalArgumentException.class, () -> new ClassWeeks(List.of(new double[] {-1}), new boolean[1]));
    }
}
