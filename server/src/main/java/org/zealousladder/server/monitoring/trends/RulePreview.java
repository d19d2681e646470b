package org.zealousladder.server.monitoring.trends;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.decisions.Proposal;
import org.zealousladder.core.decisions.RuleSettings;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.monitoring.plans.Following;
import org.zealousladder.server.monitoring.plans.FollowingService;
import org.zealousladder.server.school.roster.ClassRef;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;

/** Whose proposals would differ under other settings of a measure's decision rule. */
@Service
@Transactional(readOnly = true)
public class RulePreview {
    private final CardsService cards;
    private final MeasuresService measures;
    private final RosterService roster;
    private final FollowingService followed;

    RulePreview(CardsService cards, MeasuresService measures, RosterService roster, FollowingService followed) {
        this.cards = cards;
        this.measures = measures;
        this.roster = roster;
        this.followed = followed;
    }

    /**
     * A rule is every school's; who would be read differently is shown for the whole school of those in view.
     *
     * @param monitored the school's students with a goal on the measure
     * @param others how many more schools use the rule
     */
    public record RuleEffect(String school, int others, int monitored, List<Differing> differ) {}

    /** A student whose proposal would be another; both in words. */
    public record Differing(StudentRef student, String before, String after) {}

    public RuleEffect effect(Who who, int yearId, int measureId, RuleSettings settings, LocalDate asked) {
        SchoolYear year = roster.year(yearId);
        LocalDate asOf = year.clamp(asked);
        Measure measure = measures.measure(measureId, asOf);
        int school = roster.school(who);
        Map<Integer, String> schools = roster.classes().stream().collect(Collectors.toMap(ClassRef::schoolId, ClassRef::schoolName, (a, b) -> a));
        List<Enrolled> students = roster.enrolled(new Who(Who.Kind.SCHOOL, school, null), yearId, asOf);
        Following following = followed.on(students.stream().map(Enrolled::id).toList(), measure, year, asOf);
        CardMaker maker = new CardMaker(year.starts(), asOf);
        List<CardMaker.Records> records = cards.records(students, Map.of(measureId, measure), cards.ground(following, measureId, asOf), year, asOf);
        List<Differing> differ = new ArrayList<>();
        for (CardMaker.Records r : records) {
            Proposal before = maker.progress(r).proposal();
            Proposal after = maker.progress(r.with(measure.with(settings))).proposal();
            if (before != null && after != null && before.kind() != after.kind()) {
                differ.add(new Differing(r.student(), before.kind().label(), after.kind().label()));
            }
        }
        return new RuleEffect(schools.getOrDefault(school, "the school"), schools.size() - 1, records.size(), differ);
    }
}
