package org.zealousladder.server.trends;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.decisions.RuleSettings;
import org.zealousladder.server.measures.Measure;
import org.zealousladder.server.measures.MeasuresService;
import org.zealousladder.server.roster.Enrolled;
import org.zealousladder.server.roster.RosterService;
import org.zealousladder.server.roster.SchoolYear;
import org.zealousladder.server.roster.StudentRef;
import org.zealousladder.server.roster.Who;
import org.zealousladder.server.scores.Score;
import org.zealousladder.server.scores.ScoresService;

/** Whose proposals would differ under other settings of a measure's decision rule. */
@Service
@Transactional(readOnly = true)
public class RulePreview {
    private final TrendsService trends;
    private final MeasuresService measures;
    private final RosterService roster;
    private final ScoresService scores;

    RulePreview(TrendsService trends, MeasuresService measures, RosterService roster, ScoresService scores) {
        this.trends = trends;
        this.measures = measures;
        this.roster = roster;
        this.scores = scores;
    }

    /** @param monitored students with a goal on the measure */
    public record RuleEffect(int monitored, List<Differing> differ) {}

    /** A student whose proposal would be another; both in words. */
    public record Differing(StudentRef student, String before, String after) {}

    public RuleEffect effect(Who who, int yearId, int measureId, RuleSettings settings, LocalDate asked) {
        SchoolYear year = roster.year(yearId);
        LocalDate asOf = year.clamp(asked);
        Measure measure = measures.measure(measureId, asOf);
        List<Enrolled> students = roster.enrolled(who, yearId, asOf);
        List<Score> all = scores.of(students.stream().map(Enrolled::id).toList(), List.of(measureId), year.starts(), asOf);
        Map<Integer, TrendCard> before = new LinkedHashMap<>();
        trends.cards(students, Map.of(measureId, measure), all, measureId, year, asOf).forEach(c -> before.put(c.student().id(), c));
        List<Differing> differ = trends.cards(students, Map.of(measureId, measure.with(settings)), all, measureId, year, asOf).stream()
                .filter(c -> c.decision() != null && !c.decision().kind().equals(before.get(c.student().id()).decision().kind()))
                .map(c -> new Differing(c.student(), before.get(c.student().id()).decision().label(), c.decision().label())).toList();
        return new RuleEffect(before.size(), differ);
    }
}
