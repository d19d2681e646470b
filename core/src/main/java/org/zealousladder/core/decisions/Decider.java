package org.zealousladder.core.decisions;

import java.util.OptionalInt;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.goals.GoalChance;
import org.zealousladder.core.goals.GoalLine;
import org.zealousladder.core.growth.Trend;

/**
 * Applies a decision rule to the newest phase of a series.
 *
 * <ol>
 *   <li>Goal date past: <em>met</em> when the level at the goal date reaches the goal, else <em>not met</em>; the level
 *       is the trend's, or the last score's where no trend can be fitted.
 *   <li>Fewer scores or weeks than the settings ask: <em>too soon</em>.
 *   <li>Otherwise the rule: see {@link Rule} and {@link RuleSettings}.
 * </ol>
 */
public final class Decider {
    private final RuleSettings settings;
    private final Trend.Fitter fitter;

    public Decider(RuleSettings settings, Trend.Fitter fitter) {
        this.settings = settings;
        this.fitter = fitter;
    }

    /** The same trends under other settings. */
    public Decider with(RuleSettings other) {
        return new Decider(other, fitter);
    }

    /** The trend this decider would use for {@code phase}. */
    public Trend fit(ScoreSeries phase) {
        return fitter.fit(phase);
    }

    /** Proposes for {@code phase} with its own {@code trend} as known at {@code asOfWeek}. */
    public Decision decide(ScoreSeries phase, Trend trend, GoalLine goal, double asOfWeek) {
        Trend.Fitted fitted = trend instanceof Trend.Fitted f ? f : null;
        Double chance = fitted == null ? null : GoalChance.of(fitted, goal);
        int beyond = beyondLine(phase, goal);
        if (asOfWeek > goal.goalWeek() && phase.size() > 0) {
            double level = fitted == null ? phase.score(phase.size() - 1) : fitted.at(goal.goalWeek());
            Decision.Kind kind = goal.direction().reaches(level, goal.goalScore()) ? Decision.Kind.MET : Decision.Kind.NOT_MET;
            return decision(kind, phase, goal, fitted, chance, beyond, null, level);
        }
        boolean tooSoon = phase.size() < settings.minimumScores() || phase.span() < settings.minimumWeeks() || fitted == null
                || (settings.rule() == Rule.LAST_POINTS && phase.size() < settings.lastPoints());
        if (tooSoon) {
            OptionalInt more = fitted == null ? OptionalInt.empty() : fitter.scoresToHalve(phase, fitted);
            return decision(Decision.Kind.TOO_SOON, phase, goal, fitted, chance, beyond,
                    more.isPresent() ? more.getAsInt() : null, null);
        }
        Decision.Kind kind = switch (settings.rule()) {
            case LAST_POINTS -> byLastPoints(beyond);
            case TREND -> byTrend(fitted, goal, phase.week(phase.size() - 1));
            case CHANCE -> byChance(chance);
        };
        OptionalInt more = kind == Decision.Kind.HOLD ? fitter.scoresToHalve(phase, fitted) : OptionalInt.empty();
        return decision(kind, phase, goal, fitted, chance, beyond, more.isPresent() ? more.getAsInt() : null, null);
    }

    /**
     * Since which score the present proposal has stood without a break: replays the phase score by score.
     *
     * @return index into {@code phase} of the first score of that run; the last index when it is new
     */
    public int since(ScoreSeries phase, GoalLine goal, Decision.Kind kind) {
        int first = phase.size() - 1;
        for (int n = phase.size() - 1; n >= Trend.NEEDED; n--) {
            ScoreSeries until = phase.first(n);
            if (decide(until, fit(until), goal, until.week(n - 1)).kind() != kind) {
                break;
            }
            first = n - 1;
        }
        return first;
    }

    private Decision.Kind byLastPoints(int beyond) {
        if (beyond <= -settings.lastPoints()) {
            return Decision.Kind.CHANGE;
        }
        return beyond >= settings.lastPoints() ? Decision.Kind.RAISE : Decision.Kind.HOLD;
    }

    private static Decision.Kind byTrend(Trend.Fitted trend, GoalLine goal, double latestWeek) {
        int sign = goal.direction().sign();
        double needed = sign * goal.neededPerWeek();
        double low = Math.min(sign * trend.slopeLow(), sign * trend.slopeHigh());
        double high = Math.max(sign * trend.slopeLow(), sign * trend.slopeHigh());
        if (high < needed) {
            return Decision.Kind.CHANGE;
        }
        boolean onLine = goal.direction().reaches(trend.at(latestWeek), goal.at(latestWeek));
        return low > needed && onLine ? Decision.Kind.RAISE : Decision.Kind.HOLD;
    }

    private Decision.Kind byChance(double chance) {
        if (chance <= settings.changeAtMost()) {
            return Decision.Kind.CHANGE;
        }
        return chance >= settings.raiseAtLeast() ? Decision.Kind.RAISE : Decision.Kind.HOLD;
    }

    /** Length of the run of latest scores strictly on one side of the goal line; its sign is the side. */
    private static int beyondLine(ScoreSeries phase, GoalLine goal) {
        int run = 0;
        for (int i = phase.size() - 1; i >= 0 && phase.week(i) >= goal.startWeek(); i--) {
            int side = (int) Math.signum(goal.direction().sign() * (phase.score(i) - goal.at(phase.week(i))));
            if (side == 0 || (run != 0 && side != Integer.signum(run))) {
                break;
            }
            run += side;
        }
        return run;
    }

    private Decision decision(Decision.Kind kind, ScoreSeries phase, GoalLine goal, Trend.Fitted trend, Double chance,
            int beyond, Integer more, Double finalLevel) {
        return new Decision(kind, settings, new Figures(phase.size(), phase.span(), goal.neededPerWeek(),
                trend == null ? null : trend.slope(), trend == null ? null : trend.slopeLow(),
                trend == null ? null : trend.slopeHigh(), chance, beyond, more, finalLevel, goal.goalScore(),
                trend != null));
    }
}
