package org.zealousladder.server.monitoring.trends;

import static java.util.Objects.requireNonNull;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.Interval;
import org.zealousladder.core.calibration.Foretold;
import org.zealousladder.core.decisions.Proposal;
import org.zealousladder.core.goals.GoalLine;
import org.zealousladder.core.summary.Shares;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.monitoring.goals.Goal;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.scores.scores.ScoresService.StudentMeasure;

/**
 * How good the percentages were here: what would have been said of each goal after some weeks, by the scores that were known then, against what came of it.
 */
@Service
@Transactional(readOnly = true)
public class PastService {
    /** Fewer goals than these say nothing of percentages. */
    static final int NEEDED = 30;
    /** After so many weeks it is asked what was said. */
    private static final List<Integer> WEEKS = List.of(8, 12);

    private final CardsService cards;
    private final MeasuresService measures;
    private final RosterService roster;

    PastService(CardsService cards, MeasuresService measures, RosterService roster) {
        this.cards = cards;
        this.measures = measures;
        this.roster = roster;
    }

    /**
     * What was said and what came.
     *
     * @param goals that came due since {@code from}, of the students in view
     * @param needed so many tell something
     * @param looks after how many weeks; none where there are too few goals
     */
    public record PastView(LocalDate from, LocalDate to, int goals, int needed, List<PastLook> looks) {}

    /**
     * @param said goals of which a chance was said after {@code weeks} weeks
     * @param tooSoon of which nothing could be said yet @param changed whose plan was changed afterwards, so that what was said was of another plan
     * @param met how many of the said came to be met
     * @param usualLow to @param usualHigh how many do in 95 of a hundred schools whose chances are right
     * @param fifths by what was said, the least likely first; those with goals only
     */
    public record PastLook(int weeks, int said, int tooSoon, int changed, int met, int usualLow, int usualHigh, List<PastFifth> fifths) {}

    /**
     * @param from least chance, 0 to 1 @param to the most
     * @param said their mean @param met how many came to be met
     * @param low to @param high the range in which, with so few, the share of goals met may truly lie (Wilson, 95 %)
     * @param off whether so many, or so few, are met in less than one of a hundred fifths whose chances are right: of five, one in twenty schools has such a one by accident
     */
    public record PastFifth(double from, double to, int goals, double said, int met, double low, double high, boolean off) {}

    /** @param school whose students, as far as they are in view */
    public PastView of(int school, LocalDate asOf) {
        List<SchoolYear> years = roster.years(school).stream().filter(y -> y.starts().isBefore(asOf))
                .sorted(Comparator.comparing(SchoolYear::starts).reversed())
                .limit(2).toList();
        LocalDate from = years.isEmpty() ? asOf : years.get(years.size() - 1).starts();
        Who everybody = new Who(Who.Kind.SCHOOL, school, null);
        List<Due> due = new ArrayList<>();
        for (SchoolYear year : years) {
            due.addAll(due(everybody, year, asOf));
        }
        if (due.size() < NEEDED) {
            return new PastView(from, asOf, due.size(), NEEDED, List.of());
        }
        return new PastView(from, asOf, due.size(), NEEDED, WEEKS.stream().map(w -> look(everybody, due, w)).toList());
    }

    /** A goal that came due, with how it went. */
    private record Due(SchoolYear year, Progress then) {
        Goal goal() {
            return requireNonNull(then.goal());
        }

        StudentMeasure key() {
            return new StudentMeasure(goal().studentId(), goal().measureId());
        }

        /** Whether the trend of all scores stood at the goal on its day; null where there is none. */
        @Nullable
        Boolean met(Goal aim) {
            GoalLine line = aim.line(then.origin(), then.measure().direction());
            Proposal.Kind kind = then.proposer().propose(then.phases().newest(), then.trend(), line, line.goalWeek() + 0.01).kind();
            return kind == Proposal.Kind.MET ? Boolean.TRUE : kind == Proposal.Kind.NOT_MET ? false : null;
        }
    }

    /** Every goal of a year that came due before the day, as it was on its own. */
    private List<Due> due(Who who, SchoolYear year, LocalDate asOf) {
        LocalDate last = year.ends().isBefore(asOf) ? year.ends() : asOf.minusDays(1);
        Map<LocalDate, Set<Long>> byDay = new TreeMap<>();
        // Month by month: where a new goal followed, the one before is no longer known at the year's end.
        for (LocalDate day = year.starts().plusMonths(1);; day = day.plusMonths(1)) {
            LocalDate known = day.isBefore(last) ? day : last;
            cards.ground(roster.enrolled(who, year.id(), known), known).goals().values().stream()
                    .filter(g -> !g.goalDate().isBefore(year.starts()) && !g.goalDate().isAfter(last))
                    .forEach(g -> byDay.computeIfAbsent(g.goalDate(), d -> new HashSet<>()).add(g.id()));
            if (!day.isBefore(last)) {
                break;
            }
        }
        List<Due> due = new ArrayList<>();
        byDay.forEach((day, ids) -> progress(who, year, day).stream().filter(p -> ids.contains(requireNonNull(p.goal()).id()))
                .forEach(p -> due.add(new Due(year, p))));
        return due;
    }

    private List<Progress> progress(Who who, SchoolYear year, LocalDate day) {
        List<Enrolled> students = roster.enrolled(who, year.id(), day);
        return cards.progress(students, measures.byId(day), cards.ground(students, day), year, day);
    }

    private PastLook look(Who who, List<Due> all, int weeks) {
        Map<LocalDate, List<Due>> byDay = all.stream().collect(Collectors.groupingBy(d -> on(d.goal(), weeks)));
        Counts counts = new Counts();
        byDay.forEach((day, due) -> {
            Map<StudentMeasure, Progress> then = new HashMap<>();
            progress(who, due.get(0).year(), day).forEach(p -> then.put(new StudentMeasure(p.student().id(), p.measure().id()), p));
            due.forEach(d -> counts.add(d, then.get(d.key()), day));
        });
        return counts.look(weeks);
    }

    /** What was said after some weeks, goal by goal. */
    private static final class Counts {
        private final Foretold foretold = new Foretold();
        private int tooSoon;
        private int changed;

        void add(Due d, @Nullable Progress p, LocalDate day) {
            // Set again or set later, or due so soon that there was nothing to foretell.
            if (p == null || p.goal() == null || !p.goal().startDate().equals(d.goal().startDate()) || !p.goal().goalDate().isAfter(day)) {
                return;
            }
            Proposal proposal = requireNonNull(p.proposal());
            Double chance = proposal.kind() == Proposal.Kind.TOO_SOON ? null : proposal.figures().chance();
            Boolean came = d.met(p.goal());
            if (chance == null || came == null) {
                tooSoon++;
            } else if (d.then().phases().changes().stream().anyMatch(c -> c.isAfter(day))) {
                changed++;
            } else {
                foretold.add(chance, came);
            }
        }

        PastLook look(int weeks) {
            Foretold.Usual usual = foretold.usual(0.95);
            List<Foretold> fifths = foretold.fifths();
            return new PastLook(weeks, foretold.n(), tooSoon, changed, foretold.came(), usual.low(), usual.high(),
                    IntStream.range(0, fifths.size()).filter(i -> fifths.get(i).n() > 0).mapToObj(i -> fifth(i, fifths.get(i))).toList());
        }

        private static PastFifth fifth(int i, Foretold f) {
            Interval range = Shares.wilson(f.came(), f.n());
            return new PastFifth(i / 5.0, (i + 1) / 5.0, f.n(), f.stated(), f.came(), range.low(), range.high(), !f.usual(0.99).holds(f.came()));
        }
    }

    /** The Monday on or after that day: what is said on one day is reckoned once. */
    private static LocalDate on(Goal goal, int weeks) {
        return goal.startDate().plusWeeks(weeks).with(TemporalAdjusters.nextOrSame(DayOfWeek.MONDAY));
    }
}
