package org.zealousladder.server.trends;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.bands.BandLadder;
import org.zealousladder.core.goals.GoalKind;
import org.zealousladder.core.goals.GrowthNorms;
import org.zealousladder.server.goals.Goal;
import org.zealousladder.server.measures.Measure;
import org.zealousladder.server.measures.MeasuresService;
import org.zealousladder.server.measures.Window;
import org.zealousladder.server.norms.NormsService;
import org.zealousladder.server.norms.NormsService.GrowthTable;
import org.zealousladder.server.platform.Words;
import org.zealousladder.server.roster.Enrolled;
import org.zealousladder.server.roster.RosterService;
import org.zealousladder.server.trends.GoalOptions.Benchmark;
import org.zealousladder.server.trends.GoalOptions.StartPoint;
import org.zealousladder.server.trends.TrendCard.TrendPoint;

/** Says what a goal would ask of a student before it is set. */
@Service
@Transactional(readOnly = true)
public class GoalAdviser {
    private final TrendsService trends;
    private final MeasuresService measures;
    private final NormsService norms;
    private final RosterService roster;

    GoalAdviser(TrendsService trends, MeasuresService measures, NormsService norms, RosterService roster) {
        this.trends = trends;
        this.measures = measures;
        this.norms = norms;
        this.roster = roster;
    }

    /** A goal in the making: the fields that its kind does not need are ignored. */
    public record Draft(String kind, LocalDate startDate, double startScore, LocalDate goalDate, @Nullable Integer percentile, @Nullable Double factor,
            @Nullable Double goalScore, @Nullable String basis) {}

    public GoalOptions options(int studentId, int measureId, LocalDate asOf) {
        Enrolled student = roster.enrolled(studentId, asOf);
        TrendCard card = trends.card(studentId, measureId, asOf);
        List<StartPoint> scored = card.points().stream().filter(p -> p.value() != null).map(p -> new StartPoint(p.date(), p.value())).toList();
        StartPoint median = trends.baseline(card, asOf).map(b -> new StartPoint(b.date(), b.score())).orElse(null);
        Double own = card.phases().isEmpty() ? null : card.phases().get(card.phases().size() - 1).slope();
        GoalOptions.NormsUsed used = norms.growth(student.schoolId(), measureId, student.grade(), asOf)
                .map(t -> new GoalOptions.NormsUsed(t.name(), t.points().get(0).percentile(), t.points().get(t.points().size() - 1).percentile())).orElse(null);
        return new GoalOptions(median, scored, benchmarks(student, measureId, asOf), used, own, trends.yearOf(asOf).ends());
    }

    private List<Benchmark> benchmarks(Enrolled student, int measureId, LocalDate asOf) {
        List<Window> ahead = measures.windows(asOf).stream().filter(w -> w.ends().isAfter(asOf)).sorted(Comparator.comparing(Window::starts)).toList();
        var ladders = measures.ladders(ahead, asOf, measures.defaultSet(student.schoolId(), asOf));
        List<Benchmark> all = new ArrayList<>();
        for (Window w : ahead) {
            Optional<BandLadder> ladder = ladders.of(measureId, w.id(), student.grade());
            ladder.ifPresent(l -> {
                for (int i = l.cuts().length - 1; i >= 0; i--) {
                    all.add(new Benchmark(w.id(), w.name(), w.starts().isAfter(asOf) ? w.starts() : w.ends(), l.bands().get(i + 1).name(), l.bands().get(i + 1).tier(), l.cuts()[i]));
                }
            });
        }
        return all;
    }

    public GoalAdvice advise(int studentId, int measureId, Draft draft, LocalDate asOf) {
        Enrolled student = roster.enrolled(studentId, asOf);
        Measure measure = measures.measure(measureId, asOf);
        double weeks = ScoreSeries.weeks(draft.startDate(), draft.goalDate());
        if (weeks <= 0) {
            return GoalAdvice.none("The goal date must be after the start date.");
        }
        Optional<GrowthTable> table = norms.growth(student.schoolId(), measureId, student.grade(), asOf);
        Optional<GrowthNorms> growth = table.map(t -> t.norms(measure.direction()));
        double score;
        String basis;
        switch (GoalKind.of(draft.kind())) {
            case NORM_GROWTH -> {
                int percentile = draft.percentile() == null ? 50 : draft.percentile();
                OptionalDouble pace = growth.map(g -> g.at(percentile)).orElse(OptionalDouble.empty());
                if (pace.isEmpty()) {
                    return GoalAdvice.none(growth.isEmpty() ? "There is no table of growth for this measure and grade; bring one in under Records, or choose another way."
                            : "The table of growth does not reach to that percentile.");
                }
                score = GoalKind.grown(draft.startScore(), pace.getAsDouble(), weeks);
                basis = "Growth at the " + ordinal(percentile) + " percentile of " + table.get().name() + ": " + rate(pace.getAsDouble()) + " a week";
            }
            case OWN_PACE -> {
                double factor = draft.factor() == null ? GoalKind.FACTOR : draft.factor();
                Double own = options(studentId, measureId, asOf).ownPerWeek();
                if (own == null) {
                    return GoalAdvice.none("There is no trend yet to take the pace from. Three scores make one.");
                }
                OptionalDouble reached = GoalKind.ownPace(draft.startScore(), own, factor, weeks, measure.direction());
                if (reached.isEmpty()) {
                    return GoalAdvice.none("The trend so far is not getting better, so a multiple of it is no goal. Choose another way.");
                }
                score = reached.getAsDouble();
                basis = Words.plain(factor) + " times the own pace of " + rate(own) + " a week";
            }
            default -> {
                if (draft.goalScore() == null) {
                    return GoalAdvice.none("Give the goal's score.");
                }
                score = draft.goalScore();
                basis = draft.basis() == null ? "Set by hand" : draft.basis();
            }
        }
        double unit = Math.pow(10, measure.decimals());
        double goal = Math.max(measure.lowest(), Math.min(measure.highest(), Math.rint(score * unit) / unit));
        if (measure.direction().sign() * (goal - draft.startScore()) <= 0) {
            return GoalAdvice.none("The goal is not better than the start. It should be " + (measure.direction().sign() > 0 ? "higher." : "lower."));
        }
        double needed = (goal - draft.startScore()) / weeks;
        GrowthNorms.Place place = growth.map(g -> g.place(needed)).orElse(null);
        Double chance = trends.chance(student, measure, new Goal(0, studentId, measureId, draft.startDate(), draft.startScore(), draft.goalDate(), goal,
                draft.kind(), null, null, null), asOf);
        return new GoalAdvice(null, goal, draft.goalDate(), needed, basis, place == null ? null : (int) Math.round(place.percentile()),
                place == null ? null : words(place, table.get().name()), place != null && place.outOfTheOrdinary(), chance,
                "Needs " + rate(needed) + " a week for " + Math.round(weeks) + " weeks.");
    }

    private static String words(GrowthNorms.Place place, String name) {
        long p = Math.round(place.percentile());
        String where = place.beyond() ? (place.percentile() > 50 ? "More growth than the highest percentile of the table, the " : "Less growth than the lowest percentile of the table, the ")
                + ordinal(p) : "As much as the " + ordinal(p) + " percentile of students grows";
        return where + " (" + name + ")." + (place.outOfTheOrdinary() ? " That is out of the ordinary: few students grow as fast. It can be set all the same." : "");
    }

    private static String ordinal(long n) {
        long tens = n % 100;
        return n + (tens >= 11 && tens <= 13 ? "th" : n % 10 == 1 ? "st" : n % 10 == 2 ? "nd" : n % 10 == 3 ? "rd" : "th");
    }

    private static String rate(double perWeek) {
        return String.format(Locale.ROOT, Math.abs(perWeek) < 0.1 ? "%.2f" : "%.1f", perWeek);
    }
}
