package org.zealousladder.core.decisions;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class ReasonsTest {
    private static String reason(Decision.Kind kind, Rule rule, Figures figures) {
        return new Decision(kind, RuleSettings.standard(rule), figures).reason();
    }

    private static Figures figures(double needed, double slope, double chance, int beyond) {
        return new Figures(12, 11, needed, slope, slope - 0.4, slope + 0.4, chance, beyond, null, null, 90.0, true);
    }

    @Test
    void theChanceRuleSaysTheChance() {
        assertEquals("Needs 1.6 a week, gaining 0.7 (0.3 to 1.1). Chance of the goal 8 %.",
                reason(Decision.Kind.CHANGE, Rule.CHANCE, figures(1.6, 0.7, 0.08, -3)));
    }

    @Test
    void theTrendRuleSaysTheRange() {
        assertTrue(reason(Decision.Kind.CHANGE, Rule.TREND, figures(1.6, 0.7, 0.08, -3)).endsWith("The whole range of the trend is short of the pace needed."));
        assertTrue(reason(Decision.Kind.RAISE, Rule.TREND, figures(0.2, 0.7, 0.99, 3)).endsWith("past the pace needed."));
        assertTrue(reason(Decision.Kind.HOLD, Rule.TREND, figures(0.7, 0.7, 0.5, 0)).contains("within the range"));
    }

    @Test
    void theLastPointsRuleCountsThem() {
        assertTrue(reason(Decision.Kind.CHANGE, Rule.LAST_POINTS, figures(1.6, 0.7, 0.08, -5)).endsWith("The latest 5 scores are all short of the goal line."));
        assertTrue(reason(Decision.Kind.RAISE, Rule.LAST_POINTS, figures(0.2, 0.7, 0.9, 4)).endsWith("The latest 4 scores are all past the goal line."));
        assertTrue(reason(Decision.Kind.HOLD, Rule.LAST_POINTS, figures(0.7, 0.7, 0.5, 1)).endsWith("not all on one side of the goal line."));
    }

    @Test
    void oneScoreAndOneWeekAreSingular() {
        Figures one = new Figures(1, 0, 1.0, null, null, null, null, 0, null, null, 90.0, false);
        assertEquals("1 score; a decision needs at least 6 over 4 weeks.", reason(Decision.Kind.TOO_SOON, Rule.CHANCE, one));
        Figures two = new Figures(2, 1, 1.0, null, null, null, null, 0, 1, null, 90.0, false);
        assertEquals("2 scores over 1 week; a decision needs at least 6 over 4 weeks. 1 more score at this pace would halve the doubt.",
                reason(Decision.Kind.TOO_SOON, Rule.CHANCE, two));
    }

    @Test
    void afterTheDateItSaysWhereTheTrendStood() {
        Figures short_ = new Figures(12, 11, 1.0, 0.7, 0.3, 1.1, 0.1, -2, null, 84.25, 90.0, true);
        assertEquals("The goal date is past. The trend stood at 84.2, short of the goal of 90.", reason(Decision.Kind.NOT_MET, Rule.CHANCE, short_));
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
