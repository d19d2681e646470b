package org.zealousladder.core.decisions;

import java.math.BigDecimal;
import java.math.RoundingMode;

/** The sentences of decisions: the figures first, then the rule with its threshold where that adds something. */
final class Reasons {
    private Reasons() {}

    static String of(Decision d) {
        Figures f = d.figures();
        return switch (d.kind()) {
            case TOO_SOON -> tooSoon(d.rule(), f);
            case MET -> "The goal date is past. " + ended(f) + ", at or past the goal of " + score(f.goalScore()) + ".";
            case NOT_MET -> "The goal date is past. " + ended(f) + ", short of the goal of " + score(f.goalScore()) + ".";
            case HOLD, RAISE, CHANGE -> pace(f) + " " + evidence(d.kind(), d.rule(), f);
        };
    }

    static String evidence(Decision d) {
        return switch (d.kind()) {
            case HOLD, RAISE, CHANGE -> evidence(d.kind(), d.rule(), d.figures());
            default -> of(d);
        };
    }

    private static String tooSoon(RuleSettings rule, Figures f) {
        StringBuilder text = new StringBuilder();
        text.append(f.scores() == 1 ? "1 score" : f.scores() + " scores");
        if (f.scores() > 1) {
            text.append(" over ").append(weeks(f.weeks()));
        }
        int scores = Math.max(rule.minimumScores(), rule.rule() == Rule.LAST_POINTS ? rule.lastPoints() : 0);
        text.append("; a decision needs at least ").append(scores).append(" over ")
                .append(weeks(rule.minimumWeeks())).append('.');
        if (f.moreScores() != null) {
            text.append(f.moreScores() == 1 ? " 1 more score" : " " + f.moreScores() + " more scores")
                    .append(" at this pace would halve the doubt.");
        }
        return text.toString();
    }

    private static String ended(Figures f) {
        return (f.fromTrend() ? "The trend stood at " : "The last score was ") + score(f.finalLevel());
    }

    private static String pace(Figures f) {
        return "Needs " + rate(f.neededPerWeek()) + " a week, gaining " + rate(f.slope()) + " (" + rate(f.slopeLow()) + " to "
                + rate(f.slopeHigh()) + ").";
    }

    private static String evidence(Decision.Kind kind, RuleSettings rule, Figures f) {
        return switch (rule.rule()) {
            case CHANCE -> "Chance of the goal " + percent(f.chance()) + ".";
            case TREND -> switch (kind) {
                case CHANGE -> "The whole range of the trend is short of the pace needed.";
                case RAISE -> "The whole range of the trend is past the pace needed.";
                default -> "The pace needed is within the range of the trend, or the level is still under the line.";
            };
            case LAST_POINTS -> switch (kind) {
                case CHANGE -> "The latest " + -f.beyondLine() + " scores are all short of the goal line.";
                case RAISE -> "The latest " + f.beyondLine() + " scores are all past the goal line.";
                default -> "The latest scores are not all on one side of the goal line.";
            };
        };
    }

    static String rate(double perWeek) {
        return plain(perWeek, Math.abs(perWeek) < 0.095 && Math.abs(perWeek) >= 0.005 ? 2 : 1);
    }

    static String score(double value) {
        return value == Math.rint(value) ? plain(value, 0) : plain(value, 1);
    }

    static String percent(double chance) {
        if (chance < 0.01) {
            return "under 1 %";
        }
        return chance > 0.99 ? "over 99 %" : Math.round(100 * chance) + " %";
    }

    private static String weeks(double weeks) {
        String number = score(Math.round(weeks * 10) / 10.0);
        return number + (number.equals("1") ? " week" : " weeks");
    }

    private static String plain(double value, int decimals) {
        String text = BigDecimal.valueOf(value).setScale(decimals, RoundingMode.HALF_EVEN).toPlainString();
        boolean zero = text.chars().allMatch(c -> c == '0' || c == '.' || c == '-');
        return zero ? text.replace("-", "") : text.replace('-', '\u2212');
    }
}
