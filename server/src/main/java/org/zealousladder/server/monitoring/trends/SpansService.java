package org.zealousladder.server.monitoring.trends;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.summary.Span;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.scores.scores.Score;
import org.zealousladder.server.scores.scores.ScoresService;

/** First against latest, first against best, best against latest, between two days. */
@Service
@Transactional(readOnly = true)
public class SpansService {
    private final RosterService roster;
    private final MeasuresService measures;
    private final ScoresService scores;

    SpansService(RosterService roster, MeasuresService measures, ScoresService scores) {
        this.roster = roster;
        this.measures = measures;
        this.scores = scores;
    }

    /** Students with at least one score between the days, by name. */
    public record SpansView(LocalDate from, LocalDate to, int without, List<SpanRow> rows) {}

    /** @param n scores between the days */
    public record SpanRow(StudentRef student, int n, Dated first, Dated best, Dated latest, double firstToLatest, double firstToBest, double bestToLatest) {}

    public record Dated(LocalDate date, double score) {}

    public SpansView view(Who who, int measureId, int yearId, LocalDate from, LocalDate to, LocalDate asked) {
        if (from.isAfter(to)) {
            throw Refusal.invalid("from", "The first day must not be after the last.");
        }
        SchoolYear year = roster.year(yearId);
        LocalDate asOf = year.clamp(asked);
        LocalDate until = to.isAfter(asOf) ? asOf : to;
        Measure measure = measures.measure(measureId, asOf);
        List<Enrolled> students = roster.enrolled(who, yearId, asOf);
        Map<Integer, List<Score>> all = scores.of(students.stream().map(Enrolled::id).toList(), List.of(measureId), from, asOf).stream()
                .filter(s -> s.scored() && !s.takenOn().isAfter(until)).collect(Collectors.groupingBy(Score::studentId));
        List<SpanRow> rows = students.stream().filter(e -> all.containsKey(e.id())).map(e -> row(e, requireNonNull(all.get(e.id())), measure))
                .sorted(Comparator.comparing(SpanRow::student, StudentRef.BY_NAME)).toList();
        return new SpansView(from, until, students.size() - rows.size(), rows);
    }

    private static SpanRow row(Enrolled e, List<Score> own, Measure measure) {
        List<Score> ordered = own.stream().sorted(Comparator.comparing(Score::takenOn)).toList();
        ScoreSeries series = ScoreSeries.of(ordered.stream().mapToDouble(s -> ScoreSeries.weeks(LocalDate.EPOCH, s.takenOn())).toArray(),
                ordered.stream().mapToDouble(Score::value).toArray());
        Span span = Span.of(series, measure.direction()).orElseThrow();
        Dated first = dated(ordered.get(span.first()));
        Dated best = dated(ordered.get(span.best()));
        Dated latest = dated(ordered.get(span.latest()));
        return new SpanRow(e.ref(), ordered.size(), first, best, latest, latest.score() - first.score(), best.score() - first.score(),
                latest.score() - best.score());
    }

    private static Dated dated(Score s) {
        return new Dated(s.takenOn(), requireNonNull(s.value()));
    }
}
