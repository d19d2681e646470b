package org.zealousladder.core.decisions;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Locale;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Direction;

/** The sentences of decisions: the figures first, then the rule with its threshold where that adds something. */
final class Reasons {
    private Reasons() {}

    static String of(Proposal d) {
        Figures f = d.figures();
        return switch (d.kind()) {
            case TOO_SOON -> tooSoon(d.rule(), f);
            case MET -> "The goal date is past. " + ended(f) + ", at or past the goal of " + score(f.goalScore()) + ".";
            case NOT_MET -> "The goal date is past. " + ended(f) + ", short of the goal of " + score(f.goalScore()) + ".";
            case HOLD, RAISE, CHANGE -> pace(f) + " " + rules(d);
        };
    }

    static String evidence(Proposal d) {
        return switch (d.kind()) {
            case HOLD, RAISE, CHANGE -> rules(d);
            default -> of(d);
        };
    }

    /** What there is, and what has still to come before something can be proposed. */
    private static String tooSoon(RuleSettings rule, Figures f) {
        String have = f.scores() == 0 ? "No score yet. " : count(f.scores(), "score") + (f.scores() > 1 ? " over " + weeks(f.weeks()) : "") + " so far. ";
        int scores = rule.scoresNeeded() - f.scores();
        double weeks = Math.max(0, rule.minimumWeeks() - f.weeks());
        int whole = (int) Math.ceil(weeks - 1e-9);
        if (scores > 0) {
            String over = whole <= 0 ? "" : whole == 1 ? ", over one more week," : ", over " + whole + " more weeks,";
            return have + (f.scores() == 0 ? count(scores, "score") + (whole > 0 ? " over " + weeks(rule.minimumWeeks()) : "")
                    : count(scores, "more score") + over) + (scores == 1 ? " allows" : " allow") + " a decision.";
        }
        return have + (whole > 1 ? "Scores over " + whole + " more weeks allow a decision." : whole == 1 ? "Scores over one more week allow a decision."
                : "A score on another day allows a decision.");
    }

    private static String ended(Figures f) {
        return (f.fromTrend() ? "The trend stood at " : "The last score was ") + score(known(f.finalLevel()));
    }

    /** What is needed from today on, then what is gained. */
    private static String pace(Figures f) {
        Double needed = f.needed();
        String gaining = (f.direction() == Direction.HIGHER_IS_BETTER ? "aining " : "hanging by ") + rate(known(f.slope()))
                + (needed == null || f.atGoal() ? " a week" : "")
                + " (" + rate(known(f.slopeLow())) + " to " + rate(known(f.slopeHigh())) + ").";
        String verb = f.direction() == Direction.HIGHER_IS_BETTER ? "g" : "c";
        if (f.atGoal()) {
            return "At the goal of " + score(f.goalScore()) + " already; " + verb + gaining;
        }
        return needed == null ? verb.toUpperCase(Locale.ROOT) + gaining : "From here " + rate(needed) + " a week is needed; " + verb + gaining;
    }

    private static String rules(Proposal d) {
        Figures f = d.figures();
        return switch (d.rule().rule()) {
            case CHANCE -> "Chance of the goal " + percent(known(f.chance())) + chance(d) + ".";
            case TREND -> switch (d.kind()) {
                case CHANGE -> "Even the top of the trend's range is slower than the goal asks.";
                case RAISE -> "Even the bottom of the trend's range is faster than the goal asks.";
                default -> f.onLine() ? "The trend is on the goal line or past it."
                        : "The trend may well be fast enough, or not: its range holds the pace that the goal asks.";
            };
            case LAST_POINTS -> switch (d.kind()) {
                case CHANGE -> "The latest " + -f.beyondLine() + " scores are all short of the goal line.";
                case RAISE -> "The latest " + f.beyondLine() + " scores are all past the goal line.";
                default -> "The latest scores are not all on one side of the goal line.";
            };
        };
    }

    /** How firm that is. */
    private static String chance(Proposal d) {
        if (d.kind() != Proposal.Kind.HOLD) {
            return d.firm() ? " (firm)" : " (early)";
        }
        return switch (d.ahead()) {
            case CHANGE -> ", too early to change the plan on";
            case RAISE -> ", too early to raise the goal on";
            default -> "";
        };
    }

    /** Figures that a proposal of the kind always has. */
    private static double known(@Nullable Double figure) {
        return Objects.requireNonNull(figure);
    }

    private static String count(int n, String what) {
        return n + " " + what + (n == 1 ? "" : "s");
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
