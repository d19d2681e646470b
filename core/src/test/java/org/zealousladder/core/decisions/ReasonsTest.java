package org.zealousladder.core.decisions;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.zealousladder.core.Direction;

class ReasonsTest {
    private static String reason(Proposal.Kind kind, Rule rule, Figures figures) {
        return new Proposal(kind, RuleSettings.standard(rule), figures).reason();
    }

    private static Figures figures(double needed, double slope, double chance, int beyond) {
        return new Figures(12, 11, 20, Direction.HIGHER_IS_BETTER, slope, slope - 0.4, slope + 0.4, needed, false, beyond > 0, chance, beyond, null, 90.0);
    }

    private static Figures few(int scores, double weeks) {
        return new Figures(scores, weeks, 20, Direction.HIGHER_IS_BETTER, null, null, null, null, false, false, null, 0, null, 90.0);
    }

    @Test
    void theChanceRuleSaysTheChance() {
        assertEquals("From here 1.6 a week is needed; gaining 0.7 (0.3 to 1.1). Chance of the goal 8 % (firm).",
                reason(Proposal.Kind.CHANGE, Rule.CHANCE, figures(1.6, 0.7, 0.08, -3)));
    }

    @Test
    void whereLowerIsBetterNothingIsGained() {
        Figures down = new Figures(12, 11, 20, Direction.LOWER_IS_BETTER, -0.7, -1.1, -0.3, -1.6, false, false, 0.08, -3, null, 20.0);
        assertEquals("From here −1.6 a week is needed; changing by −0.7 (−1.1 to −0.3). Chance of the goal 8 % (firm).",
                reason(Proposal.Kind.CHANGE, Rule.CHANCE, down));
    }

    @Test
    void atTheGoalOrInTheLastDaysNothingMoreIsAsked() {
        Figures there = new Figures(12, 11, 20, Direction.HIGHER_IS_BETTER, 0.7, 0.3, 1.1, -0.5, true, true, 0.96, 5, null, 90.0);
        assertEquals("At the goal of 90 already; gaining 0.7 a week (0.3 to 1.1). Chance of the goal 96 % (firm).",
                reason(Proposal.Kind.RAISE, Rule.CHANCE, there));
        Figures last = new Figures(12, 11, 20, Direction.HIGHER_IS_BETTER, 0.7, 0.3, 1.1, null, false, true, 0.5, 0, null, 90.0);
        assertEquals("Gaining 0.7 a week (0.3 to 1.1). Chance of the goal 50 %.", reason(Proposal.Kind.HOLD, Rule.CHANCE, last));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"CHANGE | 20 | 0.01 | 1 % (firm).", "CHANGE | 30 | 0.01 | 1 % (early).", "RAISE | 24 | 0.99 | 99 % (firm).",
            "HOLD | 30 | 0.5 | 50 %.", "HOLD | 30 | 0.2 | 20 %, too early to change the plan on.", "HOLD | 30 | 0.8 | 80 %, too early to raise the goal on."})
    void howFirmAChanceIsGoesByTheScoresThatAreIn(Proposal.Kind kind, int planned, double chance, String ends) {
        Figures f = new Figures(12, 11, planned, Direction.HIGHER_IS_BETTER, 0.7, 0.3, 1.1, 0.9, false, false, chance, 0, null, 90.0);
        assertTrue(reason(kind, Rule.CHANCE, f).endsWith("Chance of the goal " + ends), reason(kind, Rule.CHANCE, f));
    }

    @Test
    void theTrendRuleSaysTheRange() {
        assertTrue(reason(Proposal.Kind.CHANGE, Rule.TREND, figures(1.6, 0.7, 0.08, -3))
                .endsWith("Even the top of the trend's range is slower than the goal asks."));
        assertTrue(reason(Proposal.Kind.RAISE, Rule.TREND, figures(0.2, 0.7, 0.99, 3))
                .endsWith("Even the bottom of the trend's range is faster than the goal asks."));
        assertTrue(reason(Proposal.Kind.HOLD, Rule.TREND, figures(0.7, 0.7, 0.5, 0)).endsWith("its range holds the pace that the goal asks."));
    }

    @Test
    void theLastPointsRuleCountsThem() {
        assertTrue(reason(Proposal.Kind.CHANGE, Rule.LAST_POINTS, figures(1.6, 0.7, 0.08, -5)).endsWith("The latest 5 scores are all short of the goal line."));
        assertTrue(reason(Proposal.Kind.RAISE, Rule.LAST_POINTS, figures(0.2, 0.7, 0.9, 4)).endsWith("The latest 4 scores are all past the goal line."));
        assertTrue(reason(Proposal.Kind.HOLD, Rule.LAST_POINTS, figures(0.7, 0.7, 0.5, 1)).endsWith("not all on one side of the goal line."));
    }

    /** Six scores over four weeks are asked for. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"0 | 0 | No score yet. 6 scores over 4 weeks allow a decision.",
            "1 | 0 | 1 score so far. 5 more scores, over 4 more weeks, allow a decision.",
            "4 | 3 | 4 scores over 3 weeks so far. 2 more scores, over one more week, allow a decision.",
            "5 | 5 | 5 scores over 5 weeks so far. 1 more score allows a decision.",
            "8 | 3 | 8 scores over 3 weeks so far. Scores over one more week allow a decision.",
            "8 | 1.5 | 8 scores over 1.5 weeks so far. Scores over 3 more weeks allow a decision."})
    void tooSoonSaysWhatIsStillToCome(int scores, double weeks, String sentence) {
        assertEquals(sentence, reason(Proposal.Kind.TOO_SOON, Rule.CHANCE, few(scores, weeks)));
    }

    @Test
    void afterTheDateItSaysWhereTheTrendStood() {
        Figures ended = new Figures(12, 11, 20, Direction.HIGHER_IS_BETTER, 0.7, 0.3, 1.1, null, false, false, 0.1, -2, 84.25, 90.0);
        assertEquals("The goal date is past. The trend stood at 84.2, short of the goal of 90.", reason(Proposal.Kind.NOT_MET, Rule.CHANCE, ended));
    }

    @ParameterizedTest
    @CsvSource({"1.26,1.3", "0.08,0.08", "0.004,0.0", "-0.004,0.0", "-0.5,−0.5", "0,0.0", "12,12.0"})
    void ratesHaveOneDecimalOrTwoWhenSmall(double value, String text) {
        assertEquals(text, Reasons.rate(value));
    }

    @ParameterizedTest
    @CsvSource({"0.004,under 1 %", "0.01,1 %", "0.5,50 %", "0.99,99 %", "0.997,over 99 %"})
    void chancesAreNeverNoneNorSure(double chance, String text) {
        assertEquals(text, Reasons.percent(chance));
    }

    @ParameterizedTest
    @EnumSource(Rule.class)
    void rulesAreKnownByTheirCodes(Rule rule) {
        assertEquals(rule, Rule.of(rule.code()));
    }

    @Test
    void anUnknownRuleNamesTheKnownOnes() {
        assertTrue(assertThrows(IllegalArgumentException.class, () -> Rule.of("mood")).getMessage().contains("last-points, trend or chance"));
    }
}
