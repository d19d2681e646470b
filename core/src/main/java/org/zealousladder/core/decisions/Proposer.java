package org.zealousladder.core.decisions;

import static java.util.Objects.requireNonNull;

import java.util.Optional;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.goals.GoalChance;
import org.zealousladder.core.goals.GoalLine;
import org.zealousladder.core.growth.Outliers;
import org.zealousladder.core.growth.Trend;

/**
 * Applies a decision rule to the newest phase of a series.
 *
 * <ol>
 *   <li>Goal date past: <em>met</em> when the level at the goal date reaches the goal, else <em>not met</em>; the level
 *       is the trend's, or the last score's where no trend can be fitted.
 *   <li>Fewer scores or weeks than the settings ask, or no trend: <em>too soon</em>.
 *   <li>Otherwise the rule: see {@link Rule} and {@link RuleSettings}.
 * </ol>
 */
public final class Proposer {
    private final RuleSettings settings;
    private final Trend.Fitter fitter;

    /** @param fitter how a phase is fitted where this proposer fits by itself */
    public Proposer(RuleSettings settings, Trend.Fitter fitter) {
        this.settings = settings;
        this.fitter = fitter;
    }

    /** The same trends under other settings. */
    public Proposer with(RuleSettings other) {
        return new Proposer(other, fitter);
    }

    /** The trend this proposer would use for {@code phase}. */
    public Trend fit(ScoreSeries phase) {
        return fitter.fit(phase);
    }

    /** Proposes for {@code phase} with its own {@code trend} as known at {@code asOfWeek}. */
    public Proposal propose(ScoreSeries phase, Trend trend, GoalLine goal, double asOfWeek) {
        Trend.Fitted fitted = trend instanceof Trend.Fitted f ? f : null;
        if (asOfWeek > goal.goalWeek() && phase.size() > 0) {
            double level = fitted == null ? phase.score(phase.size() - 1) : fitted.at(goal.goalWeek());
            Proposal.Kind kind = goal.direction().reaches(level, goal.goalScore()) ? Proposal.Kind.MET : Proposal.Kind.NOT_MET;
            return new Proposal(kind, settings, figures(phase, fitted, goal, asOfWeek, level));
        }
        Figures figures = figures(phase, fitted, goal, asOfWeek, null);
        if (fitted == null || phase.size() < settings.scoresNeeded() || phase.span() < settings.minimumWeeks()) {
            return new Proposal(Proposal.Kind.TOO_SOON, settings, figures);
        }
        Proposal.Kind kind = switch (settings.rule()) {
            case LAST_POINTS -> byLastPoints(figures.beyondLine());
            case TREND -> byTrend(fitted, goal, figures.onLine());
            case CHANCE -> byChance(requireNonNull(figures.chance()), figures.share());
        };
        return new Proposal(kind, settings, figures);
    }

    /**
     * Since which score the present proposal has stood without a break: replays the phase score by score.
     *
     * @return index into {@code phase} of the first score of that run; the last index when it is new
     */
    public int since(ScoreSeries phase, GoalLine goal, Proposal.Kind kind) {
        int first = phase.size() - 1;
        for (int n = phase.size() - 1; n >= Trend.NEEDED; n--) {
            ScoreSeries until = phase.first(n);
            if (propose(until, fit(until), goal, until.week(n - 1)).kind() != kind) {
                break;
            }
            first = n - 1;
        }
        return first;
    }

    /**
     * A single score far off the trend that turns what is proposed.
     *
     * @param index of the score in the phase
     * @param without what is proposed when it is left out
     */
    public record Swing(int index, Proposal without) {}

    /** The first outlier of {@code phase} without which something else than {@code proposal} would be proposed; empty when none turns it alone. */
    public Optional<Swing> swing(ScoreSeries phase, GoalLine goal, double asOfWeek, Proposal proposal) {
        for (int i : Outliers.mark(phase)) {
            ScoreSeries rest = phase.without(i);
            Proposal without = propose(rest, fit(rest), goal, asOfWeek);
            if (without.kind() != proposal.kind()) {
                return Optional.of(new Swing(i, without));
            }
        }
        return Optional.empty();
    }

    private Proposal.Kind byLastPoints(int beyond) {
        if (beyond <= -settings.lastPoints()) {
            return Proposal.Kind.CHANGE;
        }
        return beyond >= settings.lastPoints() ? Proposal.Kind.RAISE : Proposal.Kind.HOLD;
    }

    /** A slope that falls short calls for a change only where the level falls short, too: a flat line far above the goal is no trouble. */
    private static Proposal.Kind byTrend(Trend.Fitted trend, GoalLine goal, boolean onLine) {
        int sign = goal.direction().sign();
        double needed = sign * goal.neededPerWeek();
        double low = Math.min(sign * trend.slopeLow(), sign * trend.slopeHigh());
        double high = Math.max(sign * trend.slopeLow(), sign * trend.slopeHigh());
        if (high < needed) {
            return onLine ? Proposal.Kind.HOLD : Proposal.Kind.CHANGE;
        }
        return low > needed && onLine ? Proposal.Kind.RAISE : Proposal.Kind.HOLD;
    }

    private Proposal.Kind byChance(double chance, double share) {
        if (chance <= settings.changeAtMost(share)) {
            return Proposal.Kind.CHANGE;
        }
        return chance >= settings.raiseAtLeast(share) ? Proposal.Kind.RAISE : Proposal.Kind.HOLD;
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

    /** Weeks from one score of the phase to the next, on average; infinite where there are no two. */
    static double gap(ScoreSeries phase) {
        return phase.size() < 2 || phase.span() == 0 ? Double.POSITIVE_INFINITY : phase.span() / (phase.size() - 1);
    }

    /** Scores still to come by the goal date, at the pace of the phase so far. */
    private static int toCome(ScoreSeries phase, GoalLine goal, double asOfWeek) {
        return (int) Math.floor(Math.max(0, goal.goalWeek() - asOfWeek) / gap(phase) + 1e-9);
    }

    /**
     * How many more scores make the trend's range of growth half as wide; empty where there will not be so many by the goal date.
     *
     * @param trend of {@code phase}
     */
    public OptionalInt toHalve(ScoreSeries phase, Trend trend, GoalLine goal, double asOfWeek) {
        int most = toCome(phase, goal, asOfWeek);
        return trend instanceof Trend.Fitted f && most > 0 ? fitter.toHalve(phase, f, gap(phase), most) : OptionalInt.empty();
    }

    private static Figures figures(ScoreSeries phase, Trend.@Nullable Fitted trend, GoalLine goal, double asOfWeek, @Nullable Double finalLevel) {
        int beyond = beyondLine(phase, goal);
        int planned = phase.size() + toCome(phase, goal, asOfWeek);
        if (trend == null) {
            return new Figures(phase.size(), phase.span(), planned, goal.direction(), null, null, null, null, false, false, null, beyond, finalLevel,
                    goal.goalScore());
        }
        double latest = phase.week(phase.size() - 1);
        double left = goal.goalWeek() - asOfWeek;
        return new Figures(phase.size(), phase.span(), planned, goal.direction(), trend.slope(), trend.slopeLow(), trend.slopeHigh(),
                left < 1 ? null : (Double) ((goal.goalScore() - trend.at(asOfWeek)) / left), goal.direction().reaches(trend.at(asOfWeek), goal.goalScore()),
                goal.direction().reaches(trend.at(latest), goal.at(latest)), GoalChance.of(trend, goal), beyond, finalLevel, goal.goalScore());
    }
}
