package org.zealousladder.server.monitoring.trends;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.function.DoubleFunction;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.goals.GoalKind;
import org.zealousladder.core.goals.GrowthNorms;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.screening.norms.NormsService.GrowthTable;

/** Reckons what a goal in the making comes to for one student, and says it in words. Reads nothing. */
final class GoalReckoner {
    private final Measure measure;
    private final @Nullable GrowthTable table;

    /** @param table growth of the student's grade, null where there is none */
    GoalReckoner(Measure measure, @Nullable GrowthTable table) {
        this.measure = measure;
        this.table = table;
    }

    /** A goal in the making: the fields that its kind does not need are ignored. */
    record Draft(GoalKind kind, LocalDate startDate, double startScore, LocalDate goalDate, @Nullable Integer percentile, @Nullable Double factor,
            @Nullable Double goalScore, @Nullable String basis) {}

    private record Reached(double score, String basis) {}

    /**
     * @param ownPerWeek the trend's growth so far, null without a trend
     * @param chance of a goal's score given the trend; null where there is none
     */
    GoalAdvice advise(Draft draft, @Nullable Double ownPerWeek, DoubleFunction<@Nullable Double> chance) {
        double weeks = ScoreSeries.weeks(draft.startDate(), draft.goalDate());
        if (weeks <= 0) {
            return GoalAdvice.none("The goal date must be after the start date.");
        }
        GrowthNorms growth = table == null ? null : table.norms(measure.direction());
        try {
            Reached reached = switch (draft.kind()) {
                case NORM_GROWTH -> byNorms(draft, growth, weeks);
                case OWN_PACE -> byOwnPace(draft, ownPerWeek, weeks);
                case BENCHMARK, BY_HAND -> byScore(draft);
            };
            return advice(draft, reached, weeks, growth, chance);
        } catch (NoGoal e) {
            return GoalAdvice.none(requireNonNull(e.getMessage()));
        }
    }

    private Reached byNorms(Draft draft, @Nullable GrowthNorms growth, double weeks) {
        if (growth == null) {
            throw new NoGoal("There is no table of growth for this measure and grade; bring one in under Records, or choose another way.");
        }
        int percentile = draft.percentile() == null ? 50 : draft.percentile();
        OptionalDouble pace = growth.at(percentile);
        if (pace.isEmpty()) {
            throw new NoGoal("The table of growth does not reach to that percentile.");
        }
        return new Reached(GoalKind.grown(draft.startScore(), pace.getAsDouble(), weeks),
                "Growth at the " + ordinal(percentile) + " percentile of " + requireNonNull(table).name() + ": " + rate(pace.getAsDouble()) + " a week");
    }

    private Reached byOwnPace(Draft draft, @Nullable Double own, double weeks) {
        if (own == null) {
            throw new NoGoal("There is no trend yet to take the pace from. Three scores make one.");
        }
        double factor = draft.factor() == null ? GoalKind.FACTOR : draft.factor();
        OptionalDouble reached = GoalKind.ownPace(draft.startScore(), own, factor, weeks, measure.direction());
        if (reached.isEmpty()) {
            throw new NoGoal("The trend so far is not getting better, so a multiple of it is no goal. Choose another way.");
        }
        return new Reached(reached.getAsDouble(), Words.plain(factor) + " times the own pace of " + rate(own) + " a week");
    }

    private static Reached byScore(Draft draft) {
        if (draft.goalScore() == null) {
            throw new NoGoal("Give the goal's score.");
        }
        return new Reached(draft.goalScore(), draft.basis() == null ? "Set by hand" : draft.basis());
    }

    private GoalAdvice advice(Draft draft, Reached reached, double weeks, @Nullable GrowthNorms growth, DoubleFunction<@Nullable Double> chance) {
        double unit = Math.pow(10, measure.decimals());
        double goal = Math.max(measure.lowest(), Math.min(measure.highest(), Math.rint(reached.score() * unit) / unit));
        if (measure.direction().sign() * (goal - draft.startScore()) <= 0) {
            throw new NoGoal("The goal is not better than the start. It should be " + (measure.direction().sign() > 0 ? "higher." : "lower."));
        }
        double needed = (goal - draft.startScore()) / weeks;
        GrowthNorms.Place place = growth == null ? null : growth.place(needed);
        return new GoalAdvice(null, goal, draft.goalDate(), needed, reached.basis(), place == null ? null : (int) Math.round(place.percentile()),
                place == null ? null : words(place, requireNonNull(table).name()), place != null && place.outOfTheOrdinary(), chance.apply(goal),
                "Needs " + rate(needed) + " a week for " + Math.round(weeks) + " weeks.");
    }

    private static String words(GrowthNorms.Place place, String name) {
        long p = Math.round(place.percentile());
        String where = place.beyond() ? (place.percentile() > 50 ? "More growth than the highest percentile of the table, the "
                : "Less growth than the lowest percentile of the table, the ")
                + ordinal(p) : "As much as the " + ordinal(p) + " percentile of students grows";
        return where + " (" + name + ")."
                + (place.outOfTheOrdinary() ? " That is out of the ordinary: few students grow as fast. It can be set all the same." : "");
    }

    static String ordinal(long n) {
        long tens = n % 100;
        return n + (tens >= 11 && tens <= 13 ? "th" : n % 10 == 1 ? "st" : n % 10 == 2 ? "nd" : n % 10 == 3 ? "rd" : "th");
    }

    private static String rate(double perWeek) {
        return String.format(Locale.ROOT, Math.abs(perWeek) < 0.1 ? "%.2f" : "%.1f", perWeek);
    }

    /** Why there is no goal, in a sentence. */
    private static final class NoGoal extends RuntimeException {
        private static final long serialVersionUID = 1L;

        NoGoal(String why) {
            super(why, null, false, false);
        }
    }
}
