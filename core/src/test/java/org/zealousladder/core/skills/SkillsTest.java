package org.zealousladder.core.skills;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.Interval;

/** States of skills by hand, by numerical integration, and by what has to hold for any answers. */
class SkillsTest {
    private static final long TODAY = 20_000;
    private static final SkillSettings USUAL = SkillSettings.USUAL;

    private record Answer(double share, long day) {}

    private static SkillStanding standing(List<Answer> answers, SkillSettings settings) {
        SkillTally tally = new SkillTally();
        answers.forEach(a -> tally.add(a.share(), a.day(), settings.halfLife()));
        return tally.on(TODAY, settings);
    }

    private static List<Answer> today(int right, int wrong) {
        List<Answer> all = new ArrayList<>(Collections.nCopies(right, new Answer(1, TODAY)));
        all.addAll(Collections.nCopies(wrong, new Answer(0, TODAY)));
        return all;
    }

    @Test
    void statesByHand() {
        // Beta(9, 2): F(x) = x^9 (10 - 9x), so 0.7^9 * 3.7 = 0.149308 lies below the standard.
        SkillStanding eight = standing(today(8, 1), USUAL);
        assertEquals(1 - 0.1493083459, eight.chance(), 1e-9);
        assertEquals("SECURE 9 8.0", eight.state() + " " + eight.answers() + " " + eight.right());
        // Beta(3, 5): F(0.7) = P(Bin(7, 0.7) >= 3) = 1 - (0.3^7 + 7 * 0.7 * 0.3^6 + 21 * 0.49 * 0.3^5).
        SkillStanding two = standing(today(2, 4), USUAL);
        assertEquals(1 - 0.9712045, two.chance(), 1e-9);
        assertEquals(SkillState.NOT_YET, two.state());
        assertEquals(SkillState.SHAKY, standing(today(4, 2), USUAL).state());
        assertEquals(SkillState.TOO_FEW, standing(today(2, 0), USUAL).state());
        assertEquals(SkillState.NOT_TRIED, standing(List.of(), USUAL).state());
        // Beta(1, 1): nothing is known, so that 30 % of all shares lie above.
        assertEquals(0.3, standing(List.of(), USUAL).chance(), 1e-12);
    }

    @Test
    void anAnswerOfAHalfLifeAgoCountsHalfAndPartialCreditSharesItsWeight() {
        // Weights 1, 1/2, 1/4: right 1 + 0.5 * 0.5 = 1.25, wrong 0.25 + 0.25 = 0.5.
        List<Answer> answers = List.of(new Answer(1, TODAY), new Answer(0.5, TODAY - 90), new Answer(0, TODAY - 180));
        SkillStanding s = standing(answers, USUAL);
        assertEquals(integrated(2.25, 1.5, 0.7), s.chance(), 1e-6);
        assertEquals("3 1.5", s.answers() + " " + s.right());
    }

    @Test
    void chancesAgreeWithNumericalIntegration() {
        Random random = new Random(7);
        for (int i = 0; i < 40; i++) {
            List<Answer> answers = some(random, 1 + random.nextInt(30));
            SkillSettings settings = new SkillSettings(0.5 + 0.4 * random.nextDouble(), 0.75, 20 + random.nextInt(200));
            double right = answers.stream().mapToDouble(a -> Math.pow(2, -(TODAY - a.day()) / settings.halfLife()) * a.share()).sum();
            double wrong = answers.stream().mapToDouble(a -> Math.pow(2, -(TODAY - a.day()) / settings.halfLife()) * (1 - a.share())).sum();
            assertEquals(integrated(1 + right, 1 + wrong, settings.standard()), standing(answers, settings).chance(), 1e-5);
        }
    }

    private static List<Answer> some(Random random, int n) {
        List<Answer> answers = new ArrayList<>();
        for (int k = 0; k < n; k++) {
            answers.add(new Answer(random.nextInt(5) / 4.0, TODAY - random.nextInt(400)));
        }
        return answers;
    }

    /** What of a Beta density lies above a point, by Simpson's rule. */
    private static double integrated(double a, double b, double from) {
        return simpson(a, b, from, 1) / simpson(a, b, 0, 1);
    }

    private static double simpson(double a, double b, double from, double to) {
        int n = 20_000;
        double h = (to - from) / n;
        double sum = 0;
        for (int i = 0; i <= n; i++) {
            double x = from + i * h;
            sum += (i == 0 || i == n ? 1 : i % 2 == 1 ? 4 : 2) * Math.pow(x, a - 1) * Math.pow(1 - x, b - 1);
        }
        return sum * h / 3;
    }

    @Test
    void neitherOrderNorTheWayOfForgettingMatters() {
        Random random = new Random(11);
        for (int i = 0; i < 30; i++) {
            List<Answer> answers = some(random, 20);
            List<Answer> shuffled = new ArrayList<>(answers);
            Collections.shuffle(shuffled, random);
            assertEquals(standing(answers, USUAL).chance(), standing(shuffled, USUAL).chance(), 1e-12);
        }
        // Ten years at a half-life of a day: what is long past weighs nothing, and nothing overflows.
        SkillSettings quick = new SkillSettings(0.7, 0.75, 1);
        List<Answer> old = new ArrayList<>(Collections.nCopies(50, new Answer(0, TODAY - 3650)));
        old.addAll(today(8, 1));
        assertEquals(standing(today(8, 1), quick).chance(), standing(old, quick).chance(), 1e-12);
    }

    @Test
    void moreRightIsNeverLessSureAndTwiceTheAnswersMoveAwayFromTheMiddle() {
        for (int right = 0; right < 12; right++) {
            assertTrue(standing(today(right, 3), USUAL).chance() < standing(today(right + 1, 3), USUAL).chance());
        }
        assertTrue(standing(today(18, 2), USUAL).chance() > standing(today(9, 1), USUAL).chance());
        assertTrue(standing(today(4, 8), USUAL).chance() < standing(today(2, 4), USUAL).chance());
    }

    @Test
    void aClassIsCountedAmongThoseWhoTried() {
        List<SkillState> states = new ArrayList<>(Collections.nCopies(6, SkillState.SECURE));
        states.addAll(List.of(SkillState.SHAKY, SkillState.NOT_YET, SkillState.NOT_YET, SkillState.TOO_FEW));
        states.addAll(Collections.nCopies(10, SkillState.NOT_TRIED));
        ClassSkill c = ClassSkill.of(states);
        assertEquals(new ClassSkill(20, 10, 6, 1, 2, 1), c);
        // Wilson's interval of 6 of 10.
        Interval share = c.share().orElseThrow();
        assertEquals(0.6, share.value());
        assertEquals(0.3127, share.low(), 0.0001);
        assertEquals(0.8318, share.high(), 0.0001);
        assertTrue(c.enoughKnown());
        assertFalse(ClassSkill.of(List.of(SkillState.SECURE, SkillState.NOT_TRIED, SkillState.NOT_TRIED, SkillState.NOT_TRIED)).enoughKnown());
        ClassSkill none = ClassSkill.of(List.of(SkillState.NOT_TRIED));
        assertTrue(none.share().isEmpty() && !none.enoughKnown());
        ClassSkill all = ClassSkill.of(List.of(SkillState.SECURE));
        ClassSkill[] order = {none, c, all};
        Arrays.sort(order, ClassSkill.MOST_SECURE_FIRST);
        assertEquals(List.of(all, c, none), List.of(order));
    }

    @Test
    void whatCannotBeIsRefused() {
        assertThrows(IllegalArgumentException.class, () -> new SkillTally().add(1.1, TODAY, 90));
        for (double standard : new double[] {0, 1, Double.NaN}) {
            assertThrows(IllegalArgumentException.class, () -> new SkillSettings(standard, 0.75, 90));
        }
        assertThrows(IllegalArgumentException.class, () -> new SkillSettings(0.7, 0.4, 90));
        assertThrows(IllegalArgumentException.class, () -> new SkillSettings(0.7, 0.75, 0));
    }
}
