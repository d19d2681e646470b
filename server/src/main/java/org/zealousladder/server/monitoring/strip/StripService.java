package org.zealousladder.server.monitoring.strip;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.summary.Quantiles;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.monitoring.goals.Goal;
import org.zealousladder.server.monitoring.plans.Following;
import org.zealousladder.server.monitoring.plans.FollowingService;
import org.zealousladder.server.monitoring.strip.StripView.StripEntry;
import org.zealousladder.server.monitoring.strip.StripView.StripRow;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.scores.scores.Score;
import org.zealousladder.server.scores.scores.ScoresService;

/** Reads the strip and saves one score at a time. */
@Service
public class StripService {
    private final RosterService roster;
    private final MeasuresService measures;
    private final ScoresService scores;
    private final FollowingService followed;
    private final StripStore store;
    private final SchoolCalendar calendar;

    StripService(RosterService roster, MeasuresService measures, ScoresService scores, FollowingService followed,
            StripStore store, SchoolCalendar calendar) {
        this.roster = roster;
        this.measures = measures;
        this.scores = scores;
        this.followed = followed;
        this.store = store;
        this.calendar = calendar;
    }

    /** @param day the day whose scores are entered */
    @Transactional(readOnly = true)
    public StripView view(Who who, int measureId, int yearId, LocalDate day) {
        LocalDate asOf = roster.year(yearId).clamp(day);
        LocalDate today = calendar.today();
        Measure measure = measures.measure(measureId, asOf);
        List<Enrolled> students = roster.enrolled(who, yearId, asOf);
        List<Integer> ids = students.stream().map(Enrolled::id).toList();
        Following following = followed.on(ids, measure, today);
        Map<Integer, List<Score>> all = scores.of(ids, List.of(measureId), roster.year(yearId).starts(), today).stream()
                .filter(s -> !s.takenOn().isAfter(asOf)).collect(Collectors.groupingBy(Score::studentId));
        Map<Long, List<Double>> forms = forms(all.values().stream().flatMap(List::stream).filter(s -> s.takenOn().equals(asOf)).map(Score::id).toList());
        List<StripRow> rows = students.stream().map(e -> {
            Goal goal = following.goal(e.id());
            Double line = goal == null || goal.startDate().isAfter(asOf) || goal.goalDate().isBefore(asOf) ? null
                    : (Double) goal.line(goal.startDate(), measure.direction()).at(ScoreSeries.weeks(goal.startDate(), asOf));
            return new StripRow(e.ref(), following.follows(e.id()),
                    entry(all.getOrDefault(e.id(), List.of()), asOf, forms), line);
        }).toList();
        boolean ofClass = who.kind() == Who.Kind.CLASS;
        Double median = !ofClass ? null : store.medians(List.of(who.id()), measureId, today).stream().filter(m -> m.onDay().equals(asOf)).findFirst()
                .map(StripStore.MedianRow::value).orElse(null);
        return new StripView(measure.ref(), asOf, rows, median, ofClass, (int) rows.stream().filter(StripRow::monitored).count());
    }

    /** A known median of a class: a point of its peers' line. */
    public record KnownMedian(int classId, LocalDate day, double value) {}

    @Transactional(readOnly = true)
    public List<KnownMedian> medians(Collection<Integer> classes, int measureId, LocalDate asOf) {
        return store.medians(classes, measureId, asOf).stream().filter(m -> m.value() != null).map(m -> new KnownMedian(m.classId(), m.onDay(), m.value()))
                .toList();
    }

    @Transactional
    public void putMedian(int classId, int measureId, LocalDate day, @Nullable Double value) {
        Measure measure = measures.measure(measureId);
        if (day.isAfter(calendar.today())) {
            throw Refusal.invalid("day", "The date is in the future. Use today's or an earlier one.");
        }
        if (value != null && !(value >= measure.lowest() && value <= measure.highest())) {
            throw Refusal.invalid("median", measure.name() + " runs from " + Words.plain(measure.lowest()) + " to " + Words.plain(measure.highest()) + ".");
        }
        roster.school(new Who(Who.Kind.CLASS, classId, null));
        store.put(classId, measureId, day, value, calendar.today(), Viewer.current().id());
    }

    /**
     * Saves what was typed for a student.
     *
     * @param values one score, or those of two or three forms, whose median counts; empty with another status than scored
     * @param seen the record that stood there when it was typed; null for none
     * @return what is on record now; the same when it stands there already, so that what was sent twice is saved once
     */
    @Transactional
    public StripEntry save(int student, int measureId, LocalDate day, List<Double> values, String status, @Nullable Long seen) {
        Measure measure = measures.measure(measureId);
        roster.requireStudent(student);
        values.forEach(v -> scores.check(measure, day, v, Score.SCORED));
        Double value = values.isEmpty() ? null : (Double) median(values, measure.decimals());
        List<Double> forms = values.size() > 1 ? values : null;
        Score there = current(student, measureId, day);
        boolean same = there != null && there.status().equals(status) && Objects.equals(there.value(), value);
        if (!same) {
            if (!Objects.equals(there == null ? null : there.id(), seen)) {
                throw Refusal.conflict(there == null ? "Somebody else has taken this score back meanwhile. Yours was not saved; type it again to keep it."
                        : "Somebody else entered " + (there.scored() ? Words.plain(requireNonNull(there.value())) : "'" + there.status() + "'")
                                + " here meanwhile. Yours was not saved.")
                        .with("theirs", entryOf(student, measureId, day));
            }
            if (there == null) {
                scores.enter(student, measureId, day, value, status, null, forms);
            } else {
                scores.correct(there.id(), value, status, null, forms);
            }
        }
        return entryOf(student, measureId, day);
    }

    /** The middle one of up to three; of two the one between them, in the measure's decimals. */
    private static double median(List<Double> values, int decimals) {
        double unit = Math.pow(10, decimals);
        return Math.rint(Quantiles.of(values.stream().mapToDouble(Double::doubleValue).toArray()).median().orElseThrow() * unit) / unit;
    }

    private @Nullable Score current(int student, int measureId, LocalDate day) {
        return scores.of(List.of(student), List.of(measureId), day, calendar.today()).stream().filter(s -> s.takenOn().equals(day)).findFirst().orElse(null);
    }

    private StripEntry entryOf(int student, int measureId, LocalDate day) {
        List<Score> all = scores.of(List.of(student), List.of(measureId), day.minusYears(1), calendar.today()).stream()
                .filter(s -> !s.takenOn().isAfter(day)).toList();
        return entry(all, day, forms(all.stream().filter(s -> s.takenOn().equals(day)).map(Score::id).toList()));
    }

    private Map<Long, List<Double>> forms(List<Long> scored) {
        return scored.isEmpty() ? Map.of() : store.forms(scored).stream().collect(Collectors.toMap(StripStore.FormsRow::id, f -> Arrays.asList(f.forms())));
    }

    private static StripEntry entry(List<Score> all, LocalDate day, Map<Long, List<Double>> forms) {
        List<Score> ordered = new ArrayList<>(all);
        ordered.sort(Comparator.comparing(Score::takenOn));
        Score now = ordered.stream().filter(s -> s.takenOn().equals(day)).findFirst().orElse(null);
        Score last = ordered.stream().filter(s -> s.takenOn().isBefore(day) && s.scored()).reduce((a, b) -> b).orElse(null);
        return new StripEntry(day, now == null ? null : now.id(), now == null ? null : now.value(), now == null ? null : now.status(),
                now == null ? null : forms.get(now.id()), last == null ? null : last.takenOn(), last == null ? null : last.value());
    }
}
