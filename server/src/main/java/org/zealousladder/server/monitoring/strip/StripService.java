package org.zealousladder.server.monitoring.strip;

import static java.util.Objects.requireNonNull;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.monitoring.goals.Goal;
import org.zealousladder.server.monitoring.plans.Following;
import org.zealousladder.server.monitoring.plans.FollowingService;
import org.zealousladder.server.monitoring.strip.StripView.StripEntry;
import org.zealousladder.server.monitoring.strip.StripView.StripRow;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.scores.scores.ScoresService;

/** The strip of a week or a day. */
@Service
@Transactional(readOnly = true)
public class StripService {
    private final RosterService roster;
    private final MeasuresService measures;
    private final ScoresService scores;
    private final FollowingService followed;
    private final MediansService medians;
    private final StripEntries entries;
    private final SchoolCalendar calendar;

    StripService(RosterService roster, MeasuresService measures, ScoresService scores, FollowingService followed, MediansService medians,
            StripEntries entries, SchoolCalendar calendar) {
        this.roster = roster;
        this.measures = measures;
        this.scores = scores;
        this.followed = followed;
        this.medians = medians;
        this.entries = entries;
        this.calendar = calendar;
    }

    /** @param day the day whose scores are entered; null: this week's, whatever day of it they were taken on */
    public StripView view(Who who, int measureId, int yearId, @Nullable LocalDate day) {
        LocalDate today = calendar.today();
        LocalDate asOf = roster.year(yearId).clamp(day == null ? today : day);
        LocalDate from = day == null ? asOf.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY)) : asOf;
        Measure measure = measures.measure(measureId, asOf);
        List<Enrolled> students = roster.enrolled(who, yearId, asOf);
        List<Integer> ids = students.stream().map(Enrolled::id).toList();
        Following following = followed.on(ids, measure, roster.year(yearId), today);
        Map<Integer, StripEntry> now = entries.of(measure, ids, scores.of(ids, List.of(measureId), roster.year(yearId).starts(), today), from, asOf);
        List<StripRow> rows = students.stream().map(e -> {
            Goal goal = following.goal(e.id());
            Double line = goal == null || goal.startDate().isAfter(asOf) || goal.goalDate().isBefore(asOf) ? null
                    : (Double) goal.line(goal.startDate(), measure.direction()).at(ScoreSeries.weeks(goal.startDate(), asOf));
            return new StripRow(e.ref(), following.follows(e.id()), requireNonNull(now.get(e.id())), line);
        }).toList();
        boolean ofClass = who.kind() == Who.Kind.CLASS;
        Double median = !ofClass ? null : medians.known(List.of(who.id()), measureId, today).stream().filter(m -> m.day().equals(asOf)).findFirst()
                .map(MediansService.KnownMedian::value).orElse(null);
        return new StripView(measure.ref(), asOf, day == null ? from : null, rows, median, ofClass, (int) rows.stream().filter(StripRow::monitored).count(),
                scores.formNames(ids, measureId));
    }
}
