package org.zealousladder.server.overview.students;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.contacts.contacts.Contact;
import org.zealousladder.server.contacts.contacts.ContactsService;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.monitoring.decisions.Decision;
import org.zealousladder.server.monitoring.decisions.DecisionsService;
import org.zealousladder.server.monitoring.goals.Goal;
import org.zealousladder.server.monitoring.goals.GoalsService;
import org.zealousladder.server.monitoring.plans.ConcernsService;
import org.zealousladder.server.monitoring.plans.Plan;
import org.zealousladder.server.monitoring.plans.PlansService;
import org.zealousladder.server.monitoring.trends.CardsService;
import org.zealousladder.server.monitoring.trends.TrendCard;
import org.zealousladder.server.monitoring.trends.TrendCard.TrendPoint;
import org.zealousladder.server.overview.students.StudentPage.EarlierGoal;
import org.zealousladder.server.overview.students.StudentPage.Enrolment;
import org.zealousladder.server.overview.students.StudentPage.Lane;
import org.zealousladder.server.overview.students.StudentPage.PartScore;
import org.zealousladder.server.overview.students.StudentPage.PartScores;
import org.zealousladder.server.overview.students.StudentPage.PlansOfMeasure;
import org.zealousladder.server.overview.students.StudentPage.SeasonStanding;
import org.zealousladder.server.school.facts.FactsService;
import org.zealousladder.server.school.folder.FolderService;
import org.zealousladder.server.school.people.TeachersService;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.LessonsService;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.sight.Sight;
import org.zealousladder.server.school.sight.SightService;
import org.zealousladder.server.scores.scores.Score;
import org.zealousladder.server.scores.scores.ScoresService;
import org.zealousladder.server.screening.standings.Cell;
import org.zealousladder.server.screening.standings.Standings;
import org.zealousladder.server.screening.standings.StandingsService;
import org.zealousladder.server.screening.tiers.TiersOnRecord;
import org.zealousladder.server.screening.tiers.TiersOnRecord.TierOnRecord;

/** Puts a student's page together. */
@Service
@Transactional(readOnly = true)
public class StudentsService {
    private static final int SEASONS = 6;

    private final RosterService roster;
    private final MeasuresService measures;
    private final WindowsService allWindows;
    private final ScoresService scores;
    private final CardsService trends;
    private final StandingsService standing;
    private final DecisionsService decisions;
    private final TiersOnRecord tiers;
    private final PlansService plans;
    private final ConcernsService concerns;
    private final FactsService facts;
    private final ContactsService contacts;
    private final StripsService strips;
    private final FolderService folder;
    private final LanesStore chosen;
    private final SightService sight;
    private final TeachersService teachers;
    private final LessonsService lessons;
    private final OutsideService outside;
    private final GoalsService goals;

    StudentsService(RosterService roster, MeasuresService measures, WindowsService allWindows, ScoresService scores, CardsService trends,
            StandingsService standing,
            DecisionsService decisions, TiersOnRecord tiers, PlansService plans, ConcernsService concerns, FactsService facts, ContactsService contacts,
            StripsService strips, FolderService folder, TeachersService teachers, LanesStore chosen,
            SightService sight, LessonsService lessons, OutsideService outside, GoalsService goals) {
        this.goals = goals;
        this.lessons = lessons;
        this.outside = outside;
        this.sight = sight;
        this.chosen = chosen;
        this.strips = strips;
        this.folder = folder;
        this.teachers = teachers;
        this.roster = roster;
        this.measures = measures;
        this.allWindows = allWindows;
        this.scores = scores;
        this.trends = trends;
        this.standing = standing;
        this.decisions = decisions;
        this.tiers = tiers;
        this.plans = plans;
        this.concerns = concerns;
        this.facts = facts;
        this.contacts = contacts;
    }

    public StudentPage page(int studentId, LocalDate asOf) {
        List<Enrolled> history = roster.history(studentId, asOf);
        Enrolled now = roster.enrolled(studentId, asOf);
        SchoolYear year = roster.yearOf(asOf, now.schoolId());
        Map<Integer, Measure> everything = measures.byId(asOf);
        Map<Integer, Measure> byId = new LinkedHashMap<>(everything);
        byId.values().removeIf(Measure::outside);
        List<Score> all = scores.ofStudent(studentId, asOf);
        Map<Integer, List<Score>> byMeasure = all.stream().collect(Collectors.groupingBy(Score::measureId));
        List<Window> windows = allWindows.seasons(now.schoolId(), asOf, SEASONS);
        Standings standings = standing.of(List.of(now), byId.values(), windows, asOf, all);
        List<Decision> taken = decisions.knownOn(List.of(studentId), null, asOf);
        Map<Integer, TrendCard> cards = trends.ofStudent(now, byId.values(), all, taken, year, asOf);
        Map<Integer, List<Plan>> planned = plans.knownOn(List.of(studentId), null, asOf).stream().collect(Collectors.groupingBy(Plan::measureId));
        Map<Integer, List<EarlierGoal>> dueBefore = goals.earlier(studentId, year.starts(), asOf).stream().collect(Collectors.groupingBy(Goal::measureId,
                Collectors.mapping(g -> new EarlierGoal(g.startDate(), g.startScore(), g.goalDate(), g.goalScore()), Collectors.toList())));
        List<Lane> lanes = new ArrayList<>();
        for (Measure m : byId.values()) {
            List<Score> own = byMeasure.getOrDefault(m.id(), List.of());
            // A sub-score stands with its whole; by itself only where that has none.
            boolean withWhole = m.partOf() != null && byMeasure.containsKey(m.partOf());
            if (!own.isEmpty() && !withWhole) {
                List<PartScores> parts = byId.values().stream().filter(p -> Integer.valueOf(m.id()).equals(p.partOf()) && byMeasure.containsKey(p.id()))
                        .map(p -> new PartScores(p.ref(), requireNonNull(byMeasure.get(p.id())).stream()
                                .map(s -> new PartScore(s.takenOn(), s.value(), s.status())).toList()))
                        .toList();
                lanes.add(lane(requireNonNull(cards.get(m.id())), own, dueBefore.getOrDefault(m.id(), List.of()), year, windows,
                        standings.of(studentId, m.id()), parts));
            }
        }
        LocalDate from = all.isEmpty() ? year.starts() : all.stream().map(Score::takenOn).min(LocalDate::compareTo).orElseThrow();
        List<TierOnRecord> decided = tiers.ofStudent(studentId, asOf);
        List<Contact> said = contacts.of(now, asOf);
        StripsService.Read beside = strips.of(now, history, from, year, asOf, planned, byId, decided, allWindows.of(now.schoolId(), asOf));
        Map<Integer, List<String>> taughtBy = teachers.ofClasses(history.stream().map(Enrolled::classId).distinct().toList(), asOf);
        List<Sight> unseen = sight.unseen();
        NowWriter writer = new NowWriter(lanes, beside.strips(), decided, said, beside.schoolDays(), year.starts(), asOf,
                !unseen.contains(Sight.CONTACTS), beside.lately());
        return new StudentPage(now.ref(), now.classId(), now.grade(), facts.of(studentId, now.schoolId(), asOf), from, year.ends(),
                history.stream().filter(e -> !e.enrolledFrom().isAfter(asOf))
                        .map(e -> new Enrolment(e.className(), e.grade(), e.enrolledFrom(), e.enrolledTo(), taughtBy.getOrDefault(e.classId(), List.of())))
                        .toList(),
                lanes, taken, decided,
                concerns.knownOn(List.of(studentId), null, asOf), concerns.areas(byId.values()),
                byId.values().stream().filter(m -> planned.containsKey(m.id())).map(m -> new PlansOfMeasure(m.ref(), requireNonNull(planned.get(m.id()))))
                        .toList(),
                said, beside.strips(), writer.now(), writer.next(), folder.of(studentId, asOf),
                taughtBy.getOrDefault(now.classId(), List.of()), lessons.groups(now, asOf), lessons.of(now, asOf),
                outside.of(history, everything.values(), all, taughtBy), chosen.own(), unseen);
    }

    private static Lane lane(TrendCard card, List<Score> own, List<EarlierGoal> earlierGoals, SchoolYear year, List<Window> windows, List<Cell> cells,
            List<PartScores> parts) {
        List<SeasonStanding> seasons = new ArrayList<>();
        for (int i = 0; i < windows.size(); i++) {
            Window w = windows.get(i);
            if (cells.get(i).value() != null) {
                seasons.add(new SeasonStanding(w.name(), w.starts(), w.ends(), cells.get(i)));
            }
        }
        List<TrendPoint> earlier = own.stream().filter(s -> s.takenOn().isBefore(year.starts()))
                .map(TrendPoint::earlier).toList();
        return new Lane(card.measure(), card, earlier, earlierGoals, seasons, parts);
    }

    /** Up to twelve students whose name or code matches. */
    public List<StudentRef> find(String words, LocalDate asOf) {
        return roster.find(words, asOf).stream().map(Enrolled::ref).toList();
    }
}
