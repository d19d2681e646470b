package org.zealousladder.server.overview.desk;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.calendar.SchoolDays;
import org.zealousladder.server.contacts.contacts.ContactsService;
import org.zealousladder.server.engagement.looks.Falls;
import org.zealousladder.server.engagement.looks.Look;
import org.zealousladder.server.engagement.looks.Looks;
import org.zealousladder.server.engagement.looks.LooksService;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.monitoring.goals.Goal;
import org.zealousladder.server.monitoring.trends.CardsService;
import org.zealousladder.server.monitoring.trends.Progress;
import org.zealousladder.server.overview.desk.DeskView.CelebrateKind;
import org.zealousladder.server.overview.desk.DeskView.CollectKind;
import org.zealousladder.server.overview.desk.DeskView.ToCelebrate;
import org.zealousladder.server.overview.desk.DeskView.ToCollect;
import org.zealousladder.server.overview.desk.DeskView.ToDecide;
import org.zealousladder.server.overview.desk.DeskView.ToLook;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.calendar.CalendarService;
import org.zealousladder.server.school.lists.ListsService;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.screening.standings.Cell;
import org.zealousladder.server.screening.standings.CellStatus;
import org.zealousladder.server.screening.standings.Standings;
import org.zealousladder.server.screening.standings.StandingsService;
import org.zealousladder.server.screening.tiers.RetestsService;

/** Gathers the Desk from the trends and the standings of everyone in scope. */
@Service
@Transactional(readOnly = true)
public class DeskService {
    /** A monitored student without a score for more than this many days is on the list. */
    /** School days: a week, and some time to enter it. */
    static final int DAYS_WITHOUT_SCORE = 7;
    private static final int WEEKS_DRAWN = 16;

    private final RosterService roster;
    private final MeasuresService measures;
    private final WindowsService allWindows;
    private final CardsService trends;
    private final StandingsService standing;
    private final RetestsService retests;
    private final CalendarService days;
    private final LooksService looks;
    private final ContactsService contacts;
    private final ListsService lists;

    DeskService(RosterService roster, MeasuresService measures, WindowsService allWindows, CardsService trends, StandingsService standing,
            RetestsService retests, CalendarService days, LooksService looks, ContactsService contacts, ListsService lists) {
        this.lists = lists;
        this.contacts = contacts;
        this.looks = looks;
        this.days = days;
        this.roster = roster;
        this.measures = measures;
        this.allWindows = allWindows;
        this.trends = trends;
        this.standing = standing;
        this.retests = retests;
    }

    public DeskView view(Who who, int yearId, LocalDate asked, int first) {
        SchoolYear year = roster.year(yearId);
        LocalDate asOf = year.clamp(asked);
        Map<Integer, Measure> byId = measures.byId(asOf);
        List<Enrolled> students = roster.enrolled(who, yearId, asOf);
        List<Window> windows = allWindows.seasons(roster.school(who), asOf, 2);
        List<Progress> all = trends.progress(students, byId, trends.ground(students, asOf), year, asOf);
        Standings standings = standing.of(students, byId.values(), windows, asOf);

        List<Progress> waiting = all.stream().filter(Progress::waits)
                .sorted(Comparator.comparing((Progress p) -> -requireNonNull(p.proposal()).priority()).thenComparing(Progress::student, StudentRef.BY_NAME))
                .toList();
        List<ToDecide> decide = waiting.stream().limit(first)
                .map(p -> new ToDecide(trends.card(p), standings.tier(p.student().id(), p.measure().id()).orElse(null)))
                .toList();
        List<ToCollect> collect = new ArrayList<>(missingScreening(students, byId, standings, asOf));
        collect.addAll(again(students, byId, standings, asOf));
        collect.addAll(missingWeekly(all, students, asOf));
        List<ToCelebrate> celebrate = new ArrayList<>(goalsReached(all));
        Set<String> told = celebrate.stream().map(c -> c.student().id() + "/" + c.measureId()).collect(Collectors.toSet());
        bandsClimbed(students, byId, standings).stream().filter(c -> !told.contains(c.student().id() + "/" + c.measureId())).forEach(celebrate::add);
        int settled = (int) all.stream().filter(p -> p.settledUntil() != null).count();
        Looks engaged = looks.of(students, year, asOf, Falls.of(all, students, byId.values(), standings));
        List<Look> drifting = engaged.all().stream().filter(Look::needed).toList();
        return new DeskView(students.size(), students(all), decide, new DeskView.Waiting(waiting.size(), students(waiting)), collect, celebrate, settled,
                drifting.stream().limit(first).map(l -> toLook(l, engaged)).toList(), drifting.size(), contacts.due(students, asOf), engaged.work().toMark(),
                newOnLists(asOf));
    }

    private List<DeskView.NewOnList> newOnLists(LocalDate asOf) {
        return lists.news().stream()
                .map(l -> new DeskView.NewOnList(l.id(), l.name(), roster.enrolledAmong(l.students(), asOf).stream().map(Enrolled::ref).toList()))
                .toList();
    }

    private static ToLook toLook(Look l, Looks engaged) {
        Looks.OfClass of = requireNonNull(engaged.classes().get(l.student().classId()));
        int from = Math.max(0, engaged.weeks() - WEEKS_DRAWN);
        return new ToLook(l.student().ref(), l.flags(), l.joined(), l.watch(), whole(l.minutes(), from), whole(of.medians(), from),
                IntStream.range(from, engaged.weeks()).mapToObj(w -> of.still()[w]).toList());
    }

    private static List<Integer> whole(double[] minutes, int from) {
        return Arrays.stream(minutes, from, minutes.length).mapToObj(m -> (int) Math.round(m)).toList();
    }

    private static int students(List<Progress> of) {
        return (int) of.stream().map(c -> c.student().id()).distinct().count();
    }

    /** Not screened in the newest window on measures that others in scope have a score on; one line a student. */
    private static List<ToCollect> missingScreening(List<Enrolled> students, Map<Integer, Measure> byId, Standings standings,
            LocalDate asOf) {
        List<ToCollect> missing = new ArrayList<>();
        int last = standings.windows().size() - 1;
        if (last < 0) {
            return missing;
        }
        Window window = standings.windows().get(last);
        // A sub-score is owed by nobody.
        List<Measure> owed = byId.values().stream().filter(Measure::whole).toList();
        Set<Integer> given = owed.stream().map(Measure::id)
                .filter(m -> students.stream().anyMatch(s -> standings.of(s.id(), m).get(last).value() != null)).collect(Collectors.toSet());
        for (Enrolled s : students) {
            List<Measure> without = owed.stream().filter(m -> given.contains(m.id()) && standings.of(s.id(), m.id()).get(last).owed()).toList();
            if (!without.isEmpty()) {
                Cell cell = standings.of(s.id(), without.get(0).id()).get(last);
                missing.add(new ToCollect(s.ref(), without.get(0).id(), without.size() == 1 ? without.get(0).name() : without.size() + " measures",
                        CollectKind.SCREENING, "not screened this " + window.name().toLowerCase(Locale.ROOT)
                                + (without.size() > 1 || cell.status() == CellStatus.NONE ? "" : ", " + cell.status().code()),
                        cell.date(), window.id()));
            }
        }
        return missing;
    }

    /** Those whom the team wants tested again; the first measure of the area that has a score stands for it. */
    private List<ToCollect> again(List<Enrolled> students, Map<Integer, Measure> byId, Standings standings, LocalDate asOf) {
        Map<Integer, Enrolled> here = students.stream().collect(Collectors.toMap(Enrolled::id, e -> e));
        List<ToCollect> again = new ArrayList<>();
        for (RetestsService.Retest r : retests.due(here.keySet(), standings.windows(), asOf)) {
            int k = standings.windows().stream().map(Window::id).toList().indexOf(r.windowId());
            byId.values().stream().filter(m -> m.area().equals(r.area()) && standings.of(r.studentId(), m.id()).get(k).scored()).findFirst()
                    .ifPresent(m -> again.add(new ToCollect(requireNonNull(here.get(r.studentId())).ref(), m.id(), r.area(), CollectKind.RETEST,
                            "to be tested again for " + standings.windows().get(k).name().toLowerCase(Locale.ROOT) + ", asked on " + Words.day(r.askedOn()),
                            null, r.windowId())));
        }
        again.sort(Comparator.comparing(ToCollect::student, StudentRef.BY_NAME));
        return again;
    }

    private List<ToCollect> missingWeekly(List<Progress> all, List<Enrolled> students, LocalDate asOf) {
        Map<Integer, Integer> schools = students.stream().collect(Collectors.toMap(Enrolled::id, Enrolled::schoolId, (a, b) -> a));
        IntFunction<SchoolDays> calendars = days.schools(asOf);
        List<ToCollect> missing = new ArrayList<>();
        for (Progress p : all) {
            LocalDate last = p.lastScored().orElse(null);
            boolean running = p.goal() != null && !p.goal().goalDate().isBefore(asOf);
            int without = last == null || !running ? 0 : calendars.apply(requireNonNull(schools.get(p.student().id()))).since(last, asOf);
            if (running && (last == null || without > DAYS_WITHOUT_SCORE)) {
                missing.add(new ToCollect(p.student(), p.measure().id(), p.measure().name(), CollectKind.WEEKLY,
                        last == null ? "no score yet" : "no score for " + without + " school days", last, null));
            }
        }
        missing.sort(Comparator.comparing(ToCollect::last, Comparator.nullsFirst(Comparator.naturalOrder())));
        return missing;
    }

    private static List<ToCelebrate> goalsReached(List<Progress> all) {
        List<ToCelebrate> reached = new ArrayList<>();
        for (Progress p : all) {
            Goal goal = p.goal();
            if (goal != null && p.level().filter(level -> p.measure().direction().reaches(level, goal.goalScore())).isPresent()) {
                long weeks = ChronoUnit.WEEKS.between(p.lastScored().orElseThrow(), goal.goalDate());
                reached.add(new ToCelebrate(p.student(), p.measure().id(), p.measure().name(), CelebrateKind.GOAL,
                        weeks > 0 ? "past the goal, " + Words.number(weeks) + (weeks == 1 ? " week early" : " weeks early") : "goal met"));
            }
        }
        return reached;
    }

    private static List<ToCelebrate> bandsClimbed(List<Enrolled> students, Map<Integer, Measure> byId, Standings standings) {
        List<ToCelebrate> climbed = new ArrayList<>();
        if (standings.windows().size() < 2) {
            return climbed;
        }
        String before = standings.windows().get(0).name().toLowerCase(Locale.ROOT);
        for (Measure m : byId.values()) {
            for (Enrolled s : students) {
                List<Cell> cells = standings.of(s.id(), m.id());
                // Up a tier and sure of it: a step within the margin of error is not yet news.
                if (cells.get(0).tier() != null && cells.get(1).tier() != null && cells.get(1).tier() < cells.get(0).tier() && !cells.get(1).closeCall()) {
                    climbed.add(new ToCelebrate(s.ref(), m.id(), m.name(), CelebrateKind.BAND, "up to " + cells.get(1).bandName() + " since " + before));
                }
            }
        }
        return climbed;
    }
}
