package org.zealousladder.core.engagement;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.zealousladder.core.calendar.SchoolDays;

/** What must hold of the rules about time whatever a class did. */
class EngagementPropertiesTest {
    private static final LocalDate FIRST = LocalDate.of(2026, 1, 5);
    private static final int WEEKS = 12;

    /** A class with some who go quiet, some who fall and some who stop. */
    private static List<double[]> someClass(Random random) {
        List<double[]> all = new ArrayList<>();
        int n = 8 + random.nextInt(20);
        for (int i = 0; i < n; i++) {
            double usual = 20 + 60 * random.nextDouble();
            double falls = random.nextInt(4) == 0 ? random.nextDouble() : 1;
            int from = WEEKS - 2 - random.nextInt(4);
            all.add(java.util.stream.IntStream.range(0, WEEKS).mapToDouble(w -> Math.rint(usual * (w < from ? 1 : falls) * (0.7 + 0.6 * random.nextDouble())))
                    .toArray());
        }
        return all;
    }

    private static List<Engagement.Judged> judge(List<double[]> all, EngagementSettings settings) {
        int weeks = all.get(0).length;
        LocalDate asOf = FIRST.plusWeeks(weeks - 1L).plusDays(4);
        Engagement engagement = new Engagement(new ClassWeeks(all, new boolean[weeks]), FIRST, SchoolDays.MONDAY_TO_FRIDAY, asOf, settings);
        List<Engagement.Judged> judged = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            int last = weeks - 1;
            while (last >= 0 && all.get(i)[last] <= 0) {
                last--;
            }
            judged.add(engagement.judge(i, new Engagement.Seen(FIRST, last < 0 ? null : FIRST.plusWeeks(last).plusDays(2))));
        }
        return judged;
    }

    private static List<List<EngagementRule>> rules(List<Engagement.Judged> judged) {
        return judged.stream().map(j -> j.flags().stream().map(Engagement.Flag::rule).toList()).toList();
    }

    @RepeatedTest(60)
    void scalingEverybodysMinutesChangesNoFlag(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        List<double[]> all = someClass(random);
        double by = Math.pow(2, random.nextInt(9) - 4);
        List<double[]> scaled = all.stream().map(m -> Arrays.stream(m).map(v -> v * by).toArray()).toList();
        assertEquals(judge(all, EngagementSettings.standard()), judge(scaled, EngagementSettings.standard()));
    }

    @RepeatedTest(60)
    void aStillWeekChangesNone(RepetitionInfo info) {
        Random random = new Random(200 + info.getCurrentRepetition());
        List<double[]> all = someClass(random);
        int at = 1 + random.nextInt(WEEKS);
        List<double[]> with = all.stream().map(m -> {
            double[] longer = new double[WEEKS + 1];
            System.arraycopy(m, 0, longer, 0, at);
            System.arraycopy(m, at, longer, at + 1, WEEKS - at);
            return longer;
        }).toList();
        assertEquals(rules(judge(all, EngagementSettings.standard())), rules(judge(with, EngagementSettings.standard())));
    }

    @RepeatedTest(60)
    void aQuietStrangerMovesNoOneElsesFall(RepetitionInfo info) {
        Random random = new Random(400 + info.getCurrentRepetition());
        List<double[]> all = someClass(random);
        List<double[]> with = new ArrayList<>(all);
        double little = random.nextInt(3);
        with.add(java.util.stream.IntStream.range(0, WEEKS).mapToDouble(w -> random.nextInt(3) == 0 ? 0 : little).toArray());
        List<Engagement.Judged> after = judge(with, EngagementSettings.standard());
        List<List<Engagement.Flag>> before = dropped(judge(all, EngagementSettings.standard()));
        assertEquals(before, dropped(after).subList(0, all.size()));
    }

    private static List<List<Engagement.Flag>> dropped(List<Engagement.Judged> judged) {
        return judged.stream().map(j -> j.flags().stream().filter(f -> f.rule() == EngagementRule.DROPPED).toList()).toList();
    }

    @RepeatedTest(40)
    void whatWasSaidOfAClassDoesNotDependOnTheOrderOfItsStudents(RepetitionInfo info) {
        Random random = new Random(600 + info.getCurrentRepetition());
        List<double[]> all = someClass(random);
        List<double[]> turned = new ArrayList<>(all);
        java.util.Collections.reverse(turned);
        List<Engagement.Judged> there = new ArrayList<>(judge(turned, EngagementSettings.standard()));
        java.util.Collections.reverse(there);
        assertEquals(judge(all, EngagementSettings.standard()), there);
    }
}
