package org.zealousladder.server.monitoring.trends;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoubleFunction;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.bands.BandLadder;
import org.zealousladder.core.goals.Baseline;
import org.zealousladder.core.goals.GoalKind;
import org.zealousladder.server.measures.ladders.LaddersService;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.monitoring.goals.Goal;
import org.zealousladder.server.monitoring.trends.GoalOptions.Benchmark;
import org.zealousladder.server.monitoring.trends.GoalOptions.StartPoint;
import org.zealousladder.server.monitoring.trends.JointGoals.JointBenchmark;
import org.zealousladder.server.monitoring.trends.JointGoals.JointDraft;
import org.zealousladder.server.monitoring.trends.JointGoals.JointRow;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.screening.norms.NormsService;
import org.zealousladder.server.screening.norms.NormsService.GrowthTable;

/** Says what a goal would ask of a student, or of several at once, before it is set. */
@Service
@Transactional(readOnly = true)
public class GoalAdviser {
    private final CardsService cards;
    private final MeasuresService measures;
    private final WindowsService allWindows;
    private final LaddersService allLadders;
    private final NormsService norms;
    private final RosterService roster;

    GoalAdviser(CardsService cards, MeasuresService measures, WindowsService allWindows, LaddersService allLadders, NormsService norms, RosterService roster) {
        this.cards = cards;
        this.measures = measures;
        this.allWindows = allWindows;
        this.allLadders = allLadders;
        this.norms = norms;
        this.roster = roster;
    }

    GoalOptions options(int studentId, int measureId, LocalDate asOf) {
        Enrolled student = roster.enrolled(studentId, asOf);
        TrendCard card = cards.card(studentId, measureId, asOf);
        List<Benchmark> ahead = benchmarks(student.schoolId(), student.grade(), measureId, asOf);
        GoalOptions.NormsUsed used = table(student, measureId, asOf)
                .map(t -> new GoalOptions.NormsUsed(t.name(), t.points().get(0).percentile(), t.points().get(t.points().size() - 1).percentile())).orElse(null);
        return new GoalOptions(median(card).orElse(null), scored(card), ahead, used, own(card), roster.yearOf(asOf, student.schoolId()).ends());
    }

    GoalAdvice advise(int studentId, int measureId, GoalReckoner.Draft draft, LocalDate asOf) {
        Enrolled student = roster.enrolled(studentId, asOf);
        Measure measure = measures.measure(measureId, asOf);
        CardsService.Trial trial = cards.trial(List.of(student), measure, asOf);
        return new GoalReckoner(measure, table(student, measureId, asOf).orElse(null))
                .advise(draft, own(trial.card(studentId)), chance(trial, studentId, measureId, draft));
    }

    /**
     * The same kind of goal for several students, each from their own start.
     *
     * @param draft what they should have in common; null to learn only what there is to choose from
     * @throws Refusal 422 when one of them is not the viewer's or not enrolled, or they are not of one school
     */
    JointGoals joint(List<Integer> students, int measureId, @Nullable JointDraft draft, LocalDate asOf) {
        List<Enrolled> known = roster.enrolledAmong(students, asOf);
        if (known.size() != students.stream().distinct().count() || known.stream().map(Enrolled::schoolId).distinct().count() != 1) {
            throw Refusal.invalid("students", "One of the students is not yours, is not enrolled on that day, or is of another school.");
        }
        Measure measure = measures.measure(measureId, asOf);
        int school = known.get(0).schoolId();
        List<Integer> grades = known.stream().map(Enrolled::grade).distinct().sorted().toList();
        Map<Integer, GrowthTable> tables = norms.growth(school, measureId, grades, asOf);
        List<GradeBenchmark> ahead = benchmarks(school, grades, measureId, asOf);
        CardsService.Trial trial = cards.trial(known, measure, asOf);
        List<JointRow> rows = known.stream().map(e -> {
            TrendCard card = trial.card(e.id());
            StartPoint from = draft == null || draft.start().equals("median") ? median(card).or(() -> last(card)).orElse(null) : last(card).orElse(null);
            return new JointRow(e.ref(), trial.goal(e.id()), from, draft == null ? null
                    : advice(draft, from, new GoalReckoner(measure, tables.get(e.grade())), card, trial, of(ahead, e.grade(), draft)));
        }).toList();
        return new JointGoals(rows, ahead.stream().map(b -> b.benchmark().joint()).distinct().toList(),
                tables.values().stream().map(GrowthTable::name).distinct().toList(), roster.yearOf(asOf, school).ends());
    }

    private static GoalAdvice advice(JointDraft draft, @Nullable StartPoint from, GoalReckoner reckoner, TrendCard card, CardsService.Trial trial,
            @Nullable Benchmark aim) {
        if (from == null) {
            return GoalAdvice.none("No score yet to start from. Set the goal on the chart once there is one.");
        }
        GoalReckoner.Draft own;
        if (draft.kind() == GoalKind.BENCHMARK) {
            if (aim == null) {
                return GoalAdvice.none("No cut score for this grade there.");
            }
            own = new GoalReckoner.Draft(draft.kind(), from.date(), from.score(), aim.date(), draft.percentile(), draft.factor(), aim.from(), aim.basis());
        } else if (draft.goalDate() == null) {
            return GoalAdvice.none("Give the day to reach the goal by.");
        } else {
            own = new GoalReckoner.Draft(draft.kind(), from.date(), from.score(), draft.goalDate(), draft.percentile(), draft.factor(), draft.goalScore(),
                    null);
        }
        return reckoner.advise(own, own(card), chance(trial, card.student().id(), card.measure().id(), own));
    }

    private static DoubleFunction<@Nullable Double> chance(CardsService.Trial trial, int student, int measure, GoalReckoner.Draft draft) {
        return score -> {
            TrendCard.GoalView view = trial.card(student, new Goal(0, student, measure, draft.startDate(), draft.startScore(), draft.goalDate(), score,
                    draft.kind(), null, null, null)).goal();
            return view == null ? null : view.chance();
        };
    }

    private Optional<GrowthTable> table(Enrolled student, int measureId, LocalDate asOf) {
        return Optional.ofNullable(norms.growth(student.schoolId(), measureId, List.of(student.grade()), asOf).get(student.grade()));
    }

    private static @Nullable Double own(TrendCard card) {
        return card.phases().isEmpty() ? null : (Double) card.phases().get(card.phases().size() - 1).slope();
    }

    private static List<StartPoint> scored(TrendCard card) {
        return card.points().stream().filter(p -> p.value() != null).map(p -> new StartPoint(p.date(), p.value())).toList();
    }

    private static Optional<StartPoint> last(TrendCard card) {
        return scored(card).stream().reduce((a, b) -> b);
    }

    /** The median of the first three scores of the card's year, at their median day. */
    private static Optional<StartPoint> median(TrendCard card) {
        List<StartPoint> scored = scored(card);
        if (scored.isEmpty()) {
            return Optional.empty();
        }
        LocalDate first = scored.get(0).date();
        return Baseline.of(ScoreSeries.of(scored.stream().mapToDouble(p -> ScoreSeries.weeks(first, p.date())).toArray(),
                scored.stream().mapToDouble(StartPoint::score).toArray()))
                .map(b -> new StartPoint(first.plusDays(Math.round(b.week() * 7)), b.score()));
    }

    private record GradeBenchmark(int grade, Benchmark benchmark) {}

    private static @Nullable Benchmark of(List<GradeBenchmark> all, int grade, JointDraft draft) {
        JointBenchmark aim = draft.benchmark();
        return all.stream().filter(b -> b.grade() == grade && b.benchmark().joint().equals(aim)).map(GradeBenchmark::benchmark).findFirst().orElse(null);
    }

    private List<Benchmark> benchmarks(int school, int grade, int measureId, LocalDate asOf) {
        return benchmarks(school, List.of(grade), measureId, asOf).stream().map(GradeBenchmark::benchmark).toList();
    }

    /** Where bands begin in windows that are not over, the highest band of a window first. */
    private List<GradeBenchmark> benchmarks(int school, List<Integer> grades, int measureId, LocalDate asOf) {
        List<Window> ahead = allWindows.of(school, asOf).stream().filter(w -> w.ends().isAfter(asOf)).sorted(Comparator.comparing(Window::starts)).toList();
        var ladders = allLadders.ladders(ahead, asOf, allLadders.defaultSet(school, asOf));
        return ahead.stream().flatMap(w -> grades.stream().flatMap(g -> ladders.of(measureId, w.id(), g).stream()
                .flatMap(l -> bands(w, l, asOf).stream().map(b -> new GradeBenchmark(g, b))))).toList();
    }

    private static List<Benchmark> bands(Window w, BandLadder ladder, LocalDate asOf) {
        LocalDate by = w.starts().isAfter(asOf) ? w.starts() : w.ends();
        List<Benchmark> bands = new java.util.ArrayList<>();
        for (int i = ladder.cuts().length - 1; i >= 0; i--) {
            bands.add(new Benchmark(w.id(), w.name(), by, ladder.bands().get(i + 1).name(), ladder.bands().get(i + 1).tier(), ladder.cuts()[i]));
        }
        return bands;
    }
}
