package org.zealousladder.server.overview.students;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.summary.FiveNumbers;
import org.zealousladder.server.engagement.activity.ActivityService;
import org.zealousladder.server.engagement.attendance.AttendanceService;
import org.zealousladder.server.engagement.work.Piece;
import org.zealousladder.server.engagement.work.WorkBook;
import org.zealousladder.server.engagement.work.WorkService;
import org.zealousladder.server.learning.answers.Answer;
import org.zealousladder.server.learning.answers.AnswersService;
import org.zealousladder.server.learning.items.Check;
import org.zealousladder.server.learning.items.Item;
import org.zealousladder.server.learning.items.ItemsService;
import org.zealousladder.server.learning.reading.ReadingService;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.overview.students.LaneDetail.LaneItem;
import org.zealousladder.server.overview.students.LaneDetail.MiddleHalf;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.scores.scores.Score;
import org.zealousladder.server.scores.scores.ScoresService;
import org.zealousladder.server.screening.standings.Standings;
import org.zealousladder.server.screening.standings.StandingsService;
import org.zealousladder.server.screening.tiers.TiersOnRecord;

/** Opens a lane of a student's page to what is behind its marks. */
@Service
@Transactional(readOnly = true)
class LaneService {
    private static final Pattern MEASURE = Pattern.compile("measure-(\\d{1,9})");
    private static final LocalDate EVER = LocalDate.of(1990, 1, 1);
    private static final int MOST = 100;
    private static final int READINGS = 4;
    private static final int SEASONS = 6;
    /** As few scores as percentiles are told of. */
    private static final int FEWEST = 10;

    private final RosterService roster;
    private final MeasuresService measures;
    private final WindowsService windows;
    private final ScoresService scores;
    private final StandingsService standings;
    private final ReadingService reading;
    private final AttendanceService attendance;
    private final ActivityService activity;
    private final WorkService work;
    private final AnswersService answers;
    private final ItemsService items;
    private final TiersOnRecord tiers;

    LaneService(RosterService roster, MeasuresService measures, WindowsService windows, ScoresService scores, StandingsService standings,
            ReadingService reading,
            AttendanceService attendance, ActivityService activity, WorkService work, AnswersService answers, ItemsService items, TiersOnRecord tiers) {
        this.roster = roster;
        this.measures = measures;
        this.windows = windows;
        this.scores = scores;
        this.standings = standings;
        this.reading = reading;
        this.attendance = attendance;
        this.activity = activity;
        this.work = work;
        this.answers = answers;
        this.items = items;
        this.tiers = tiers;
    }

    /** @throws Refusal 404 for a student who is not the viewer's, and for a lane that there is not */
    LaneDetail open(int studentId, String lane, LocalDate asOf) {
        Enrolled student = roster.enrolled(studentId, asOf);
        Matcher measure = MEASURE.matcher(lane);
        if (measure.matches()) {
            return measure(student, Integer.parseInt(measure.group(1)), asOf);
        }
        return switch (lane) {
            case "days" -> of(
                    attendance.told(student, EVER, asOf).stream().map(d -> new LaneItem(d.day(), d.late() ? "Late" : "Absent", d.reason(), null)).toList(),
                    beside(student, asOf, "days away this year", this::away));
            case "time" -> of(
                    activity.done(studentId, EVER, asOf, MOST + 1).stream()
                            .map(d -> new LaneItem(d.day(), Words.sentence(d.kind()).replaceAll("\\.$", ""), Math.round(d.minutes()) + " min", null)).toList(),
                    beside(student, asOf, "minutes in the last four weeks", this::minutes));
            case "work" -> of(pieces(student, asOf), beside(student, asOf, "pieces not handed in this year", this::missing));
            case "skills" -> of(given(student, asOf), null);
            case "tiers" -> of(tiers.ofStudent(studentId, asOf).stream().map(t -> new LaneItem(t.onDay(), t.area() + ", " + t.window() + " " + t.year(),
                    t.tier() == null ? "retest asked for" : "tier " + t.tier(), said(t.by(), t.reason()))).toList(), null);
            default -> throw Refusal.notFound("There is no such lane.");
        };
    }

    private static LaneDetail of(List<LaneItem> all, @Nullable String middleSays) {
        return new LaneDetail(all.stream().limit(MOST).toList(), all.size(), List.of(), List.of(), middleSays);
    }

    /** A figure of each of some students; who is left out has none. */
    private interface Figure {
        Map<Integer, Double> of(List<Enrolled> students, LocalDate asOf);
    }

    private Map<Integer, Double> away(List<Enrolled> students, LocalDate asOf) {
        return attendance.of(students, roster.yearOf(asOf, students.get(0).schoolId()), asOf).entrySet().stream()
                .collect(Collectors.toMap(Map.Entry::getKey, e -> (double) e.getValue().away().size()));
    }

    /** Whoever did nothing spent no minutes, as long as somebody did. */
    private Map<Integer, Double> minutes(List<Enrolled> students, LocalDate asOf) {
        List<Integer> ids = students.stream().map(Enrolled::id).toList();
        Map<Integer, ActivityService.Spent> spent = activity.spent(ids, asOf.minusDays(StripsService.FOUR_WEEKS), asOf);
        return spent.isEmpty() ? Map.of() : ids.stream().collect(Collectors.toMap(id -> id, id -> {
            ActivityService.Spent own = spent.get(id);
            return own == null ? 0.0 : (double) Math.round(own.minutes());
        }));
    }

    private Map<Integer, Double> missing(List<Enrolled> students, LocalDate asOf) {
        WorkBook book = work.of(students, roster.yearOf(asOf, students.get(0).schoolId()), asOf);
        return book.students().entrySet().stream().collect(
                Collectors.toMap(Map.Entry::getKey, e -> (double) e.getValue().all().stream().filter(r -> r.dueBy(asOf) && !r.in()).count()));
    }

    /** Where the middle half of the class is, and where the student; null where too few have a figure. */
    private @Nullable String beside(Enrolled student, LocalDate asOf, String what, Figure figure) {
        List<Enrolled> mates = mates(student, asOf);
        if (mates.isEmpty()) {
            return "The class is not one of yours, so its middle half is not shown.";
        }
        Map<Integer, Double> all = figure.of(mates, asOf);
        Double own = all.get(student.id());
        if (all.size() < FEWEST) {
            return null;
        }
        FiveNumbers f = FiveNumbers.of(all.values().stream().mapToDouble(v -> v).toArray()).orElseThrow();
        return "The middle half of " + student.className() + ": " + Words.plain(Math.round(f.lowerQuartile())) + " to "
                + Words.plain(Math.round(f.upperQuartile()))
                + " " + what + (own == null ? "." : "; here " + Words.plain(own) + ".");
    }

    /** Those who are in the class now; nobody where the class is not the viewer's. */
    private List<Enrolled> mates(Enrolled student, LocalDate asOf) {
        return roster.classes().stream().noneMatch(c -> c.id() == student.classId()) ? List.of()
                : roster.enrolled(new Who(Who.Kind.CLASS, student.classId(), null), roster.yearOf(asOf, student.schoolId()).id(), asOf);
    }

    private static @Nullable String said(@Nullable String by, @Nullable String reason) {
        String both = String.join(": ", java.util.stream.Stream.of(by, reason).filter(java.util.Objects::nonNull).toList());
        return both.isEmpty() ? null : both;
    }

    private LaneDetail measure(Enrolled student, int id, LocalDate asOf) {
        Measure m = measures.measure(id, asOf);
        List<LaneItem> all = new ArrayList<>(scores.ofStudent(student.id(), asOf).stream().filter(s -> s.measureId() == id).map(LaneService::score).toList());
        all.sort(Comparator.comparing(LaneItem::day).reversed());
        boolean reads = m.area().equals("Reading");
        Middle middle = middle(student, m, asOf);
        return new LaneDetail(all.stream().limit(MOST).toList(), all.size(), reads ? reading.newest(student, asOf, READINGS) : List.of(), middle.halves(),
                middle.says());
    }

    private static LaneItem score(Score s) {
        return new LaneItem(s.takenOn(), s.windowId() != null ? "Make-up or retest" : "Score", s.value() == null ? s.status().code() : Words.plain(s.value()),
                null);
    }

    private record Middle(List<MiddleHalf> halves, String says) {}

    /** Of those who are in the class now, as far as the viewer sees the class. */
    private Middle middle(Enrolled student, Measure m, LocalDate asOf) {
        List<Enrolled> mates = mates(student, asOf);
        if (mates.isEmpty()) {
            return new Middle(List.of(), "The class is not one of yours, so its middle half is not shown.");
        }
        List<Window> seasons = windows.seasons(student.schoolId(), asOf, SEASONS);
        Standings all = standings.of(mates, List.of(m), seasons, asOf);
        List<MiddleHalf> halves = new ArrayList<>();
        for (int i = 0; i < seasons.size(); i++) {
            int at = i;
            double[] values = mates.stream().map(e -> all.of(e.id(), m.id()).get(at).value()).filter(v -> v != null).mapToDouble(v -> requireNonNull(v))
                    .toArray();
            Window w = seasons.get(i);
            if (values.length >= FEWEST) {
                FiveNumbers f = FiveNumbers.of(values).orElseThrow();
                halves.add(new MiddleHalf(w.name(), w.starts(), w.ends(), f.lowerQuartile(), f.median(), f.upperQuartile(), f.n()));
            }
        }
        return new Middle(halves, halves.isEmpty() ? "Fewer than ten of the class have a score in any window, so there is no middle half."
                : "Shaded: the middle half of those who are in " + student.className() + " now, in each screening.");
    }

    private List<LaneItem> pieces(Enrolled student, LocalDate asOf) {
        WorkBook book = work.between(List.of(student), EVER, asOf, asOf);
        Map<Integer, Piece> byId = book.pieces().stream().collect(Collectors.toMap(Piece::id, p -> p));
        return book.students().values().stream().flatMap(w -> w.results().entrySet().stream()).map(e -> {
            Piece p = requireNonNull(byId.get(e.getKey()));
            return new LaneItem(p.due(), p.title(), e.getValue().words(), said(p.subject(), p.kind()));
        }).sorted(Comparator.comparing(LaneItem::day).reversed()).toList();
    }

    private List<LaneItem> given(Enrolled student, LocalDate asOf) {
        List<Answer> given = answers.answers(List.of(student), null, null, asOf);
        Collection<Integer> ids = given.stream().map(Answer::item).collect(Collectors.toSet());
        Map<Integer, Item> asked = items.items(ids);
        Map<Integer, Check> checks = items
                .checks(given.stream().map(Answer::check).filter(c -> c != null).map(c -> requireNonNull(c)).collect(Collectors.toSet()));
        List<LaneItem> all = given.stream().map(a -> {
            Item item = asked.get(a.item());
            Check check = a.check() == null ? null : checks.get(a.check());
            String said = a.answer() == null || a.answer().isBlank() ? "" : (item == null ? a.answer() : item.said(a.answer())) + ", ";
            return new LaneItem(a.day(), item == null ? "An item" : item.prompt(), said + a.outcome(), check == null ? null : check.name());
        }).collect(Collectors.toCollection(ArrayList::new));
        java.util.Collections.reverse(all);
        return all;
    }
}
