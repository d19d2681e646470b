package org.zealousladder.server.learning.checks;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.learning.answers.AnswerKeeping;
import org.zealousladder.server.learning.checks.ChecksView.AnswerCell;
import org.zealousladder.server.learning.checks.ChecksView.CheckForm;
import org.zealousladder.server.learning.checks.ChecksView.CheckOpen;
import org.zealousladder.server.learning.checks.ChecksView.GiveForm;
import org.zealousladder.server.learning.checks.ChecksView.GivenLine;
import org.zealousladder.server.learning.checks.ChecksView.Live;
import org.zealousladder.server.learning.checks.ChecksView.PaperForm;
import org.zealousladder.server.learning.checks.ChecksView.Sitter;
import org.zealousladder.server.learning.checks.ChecksView.WaitingAnswer;
import org.zealousladder.server.learning.items.Check;
import org.zealousladder.server.learning.items.Item;
import org.zealousladder.server.learning.items.ItemForm;
import org.zealousladder.server.learning.items.ItemsService;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.texts.Slug;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;

/** Builds checks, gives them, and shows them as they come in. */
@Service
@Transactional
public class ChecksService {
    private static final int LONGEST_DAYS = 120;
    private static final int LONGEST_MINUTES = 240;

    private final ChecksStore store;
    private final ItemsService items;
    private final AnswerKeeping keeping;
    private final MeasuresService measures;
    private final RosterService roster;
    private final SchoolCalendar calendar;

    ChecksService(ChecksStore store, ItemsService items, AnswerKeeping keeping, MeasuresService measures, RosterService roster, SchoolCalendar calendar) {
        this.store = store;
        this.items = items;
        this.keeping = keeping;
        this.measures = measures;
        this.roster = roster;
        this.calendar = calendar;
    }

    @Transactional(readOnly = true)
    ChecksView view(Who who, int yearId) {
        int school = roster.school(who);
        LocalDate today = calendar.today();
        List<Integer> students = roster.enrolled(who, yearId, roster.year(yearId).clamp(today)).stream().map(Enrolled::id).toList();
        return new ChecksView(store.checks(school), store.given(students, today), school, items.mayWrite(school), items.mayWrite(null),
                measures.measures().stream().filter(Measure::whole).map(Measure::ref).toList(), today);
    }

    @Transactional(readOnly = true)
    CheckOpen open(int id) {
        Check c = check(id);
        Map<Integer, Item> all = items.items(c.items().stream().map(Check.Place::item).toList());
        return new CheckOpen(c.id(), c.name(), c.schoolId(), c.items().stream().map(p -> requireNonNull(all.get(p.item()))).toList(), c.shuffle(),
                c.minutes(), c.measureId(), c.feeds(), store.everGiven(id), items.mayWrite(c.schoolId()));
    }

    /** A check that can be given in a school, by its name. */
    @Transactional(readOnly = true)
    Optional<Integer> named(int school, String name) {
        return store.checks(school).stream().filter(c -> c.name().equals(name)).map(ChecksView.CheckLine::id).findFirst();
    }

    private Check check(int id) {
        Check c = items.checks(List.of(id)).get(id);
        if (c == null) {
            throw Refusal.notFound("There is no such check.");
        }
        return c;
    }

    /** @return its id */
    public int add(CheckForm f) {
        sound(f);
        return store.add(f, Slug.of(f.name()));
    }

    /** @throws Refusal 409 once it was given: what was asked stays as it was */
    void change(int id, CheckForm f) {
        Check before = check(id);
        require(before.schoolId());
        sound(f);
        if (store.everGiven(id) && !before.items().stream().map(Check.Place::item).toList().equals(f.items())) {
            throw Refusal.conflict("It was given already, so its items stay as they are. Make a copy and change that. Nothing was saved.");
        }
        store.change(id, f);
    }

    void end(int id) {
        require(check(id).schoolId());
        store.end(id);
    }

    private void require(@Nullable Integer school) {
        if (!items.mayWrite(school)) {
            throw Refusal.forbidden(school == null ? "Checks for every school are an administrator's. Nothing was saved."
                    : "Checks of another school are not yours to change. Nothing was saved.");
        }
    }

    private void sound(CheckForm f) {
        require(f.school());
        if (new HashSet<>(f.items()).size() < f.items().size()) {
            throw Refusal.invalid("items", "An item stands in it twice.");
        }
        Map<Integer, Item> all = items.items(f.items());
        if (all.size() < f.items().size() || all.values().stream().anyMatch(i -> i.schoolId() != null && !Objects.equals(i.schoolId(), f.school()))) {
            throw Refusal.invalid("items", "One of its items is not in the bank any more, or is another school's. Nothing was saved.");
        }
        if (all.values().stream().anyMatch(i -> i.kind().equals("elsewhere"))) {
            throw Refusal.invalid("items", "One of its items is asked elsewhere only: it has no question to show. Nothing was saved.");
        }
        if (f.minutes() != null && (f.minutes() < 1 || f.minutes() > LONGEST_MINUTES)) {
            throw Refusal.invalid("minutes", "The time is 1 to " + LONGEST_MINUTES + " minutes, or none.");
        }
        if ((f.measureId() == null) != (f.feeds() == null) || f.feeds() != null && !Set.of("points", "share").contains(f.feeds())) {
            throw Refusal.invalid("feeds", "Say whether the measure gets the points or the share of them.");
        }
        if (f.measureId() != null) {
            Measure m = measures.measure(f.measureId());
            double most = f.feeds().equals("share") ? 100 : all.values().stream().mapToDouble(Item::possible).sum();
            if (m.lowest() > 0 || most > m.highest()) {
                throw Refusal.invalid("measureId", m.name() + " goes from " + Words.plain(m.lowest()) + " to " + Words.plain(m.highest())
                        + "; this check gives 0 to " + Words.plain(most) + ". Choose another measure, or feed the other figure. Nothing was saved.");
            }
        }
    }

    /** @return the giving's id */
    int give(int id, GiveForm f) {
        Check c = check(id);
        LocalDate today = calendar.today();
        if (c.elsewhere() || c.items().isEmpty()) {
            throw Refusal.invalid("check", "That check has no questions of its own to ask. Nothing was given.");
        }
        if (f.ends().isBefore(f.starts()) || f.ends().isBefore(today)) {
            throw Refusal.invalid("ends", "Its last day is not before its first, and not in the past.");
        }
        if (f.starts().plusDays(LONGEST_DAYS).isBefore(f.ends())) {
            throw Refusal.invalid("ends", "A check is open for at most " + LONGEST_DAYS + " days.");
        }
        List<Enrolled> students;
        String label;
        if (f.who() != null) {
            Who who = Who.parse(f.who());
            students = roster.enrolled(who, roster.yearOf(today, roster.school(who)).id(), today);
            label = label(who, students);
        } else {
            students = roster.enrolledAmong(f.students() == null ? List.of() : f.students(), today);
            label = students.size() == 1 ? "1 student" : students.size() + " students";
        }
        if (students.isEmpty()) {
            throw Refusal.invalid("students", "There is nobody to give it to: nobody of these is at school today. Nothing was given.");
        }
        Set<Integer> schools = students.stream().map(Enrolled::schoolId).collect(Collectors.toSet());
        int school = students.get(0).schoolId();
        if (schools.size() > 1 || c.schoolId() != null && c.schoolId() != school || !items.mayWrite(school)) {
            throw Refusal.forbidden("A check is given to students of one school of yours, whose check it is. Nothing was given.");
        }
        return store.give(id, school, label, f.starts(), f.ends(), f.onPaper(), students.stream().map(Enrolled::id).toList());
    }

    private String label(Who who, List<Enrolled> students) {
        return switch (who.kind()) {
            case CLASS -> students.isEmpty() ? "A class" : students.get(0).className();
            case GROUP -> roster.groups().stream().filter(g -> g.id() == who.id()).map(g -> g.name()).findFirst().orElse("A group");
            case TABLE -> roster.tables().stream().filter(t -> t.id() == who.id()).map(t -> t.name()).findFirst().orElse("A small group");
            case LIST -> roster.lists().stream().filter(l -> l.id() == who.id()).map(l -> l.name()).findFirst().orElse("A list");
            case GRADE -> "Grade " + who.grade();
            case CASELOAD -> "A caseload";
            case SCHOOL -> "The school";
        };
    }

    private GivenLine given(int giving) {
        return store.given(giving, calendar.today()).orElseThrow(() -> Refusal.notFound("There is no such check among those given to your students."));
    }

    /** How it comes in, as it is now. */
    @Transactional(readOnly = true)
    public Live live(int giving) {
        GivenLine given = given(giving);
        CheckOpen check = open(given.checkId());
        List<ChecksStore.SittingRow> rows = store.sittings(giving);
        Map<Integer, StudentRef> names = roster.enrolledThen(rows.stream().map(ChecksStore.SittingRow::student).toList(), calendar.today()).stream()
                .collect(Collectors.toMap(Enrolled::id, Enrolled::ref, (a, b) -> a));
        Map<Long, Map<Integer, ChecksStore.AnswerRow>> answers = new HashMap<>();
        Map<Long, Integer> whose = new HashMap<>();
        rows.stream().filter(r -> r.sitting() != null).forEach(r -> whose.put(requireNonNull(r.sitting()), r.student()));
        Map<String, WaitingAnswer> waiting = new LinkedHashMap<>();
        for (ChecksStore.AnswerRow a : store.answers(giving)) {
            answers.computeIfAbsent(a.sitting(), s -> new HashMap<>()).put(a.item(), a);
            String written = a.answer();
            if (a.points() == null && written != null) {
                waiting.computeIfAbsent(a.item() + " " + a.plain(), k -> new WaitingAnswer(a.item(), a.plain(), written, new ArrayList<>())).students()
                        .add(requireNonNull(whose.get(a.sitting())));
            }
        }
        List<Sitter> sitters = rows.stream().filter(r -> names.containsKey(r.student())).map(r -> {
            Map<Integer, ChecksStore.AnswerRow> own = r.sitting() == null ? Map.of() : answers.getOrDefault(r.sitting(), Map.of());
            return new Sitter(requireNonNull(names.get(r.student())), r.done() ? "done" : r.sitting() == null ? "not-begun" : "begun",
                    check.items().stream().map(i -> {
                        ChecksStore.AnswerRow a = own.get(i.id());
                        return a == null ? new AnswerCell(i.id(), null, null, null) : new AnswerCell(i.id(), a.answer(), a.points(), a.shows());
                    }).toList(), own.values().stream().mapToDouble(a -> a.points() == null ? 0 : a.points()).sum(), r.note());
        }).sorted(Comparator.comparing(Sitter::student, StudentRef.BY_NAME)).toList();
        return new Live(given, check, sitters, List.copyOf(waiting.values()), items.mayWrite(schoolOf(check, sitters)));
    }

    private @Nullable Integer schoolOf(CheckOpen check, List<Sitter> sitters) {
        return check.schoolId() != null || sitters.isEmpty() ? check.schoolId()
                : roster.enrolled(sitters.get(0).student().id(), calendar.today()).schoolId();
    }

    /** Types an answer from paper, or puts one right. */
    AnswerKeeping.Kept type(int giving, PaperForm f) {
        GivenLine given = given(giving);
        if (store.sittings(giving).stream().noneMatch(s -> s.student() == f.student())) {
            throw Refusal.notFound("That check was not given to this student. Nothing was saved.");
        }
        Check c = check(given.checkId());
        if (c.items().stream().noneMatch(p -> p.item() == f.item())) {
            throw Refusal.notFound("That item is not in the check. Nothing was saved.");
        }
        Item item = requireNonNull(items.items(List.of(f.item())).get(f.item()));
        return keeping.keep(new AnswerKeeping.Given(store.sitting(giving, f.student()), f.student(), c.id(), f.item(), kept(item, f.answer()), f.points(), null,
                null, given.onPaper() ? "paper" : "check"));
    }

    /** As an answer to an item is kept: words as they were written, letters as they are compared. */
    public static @Nullable String kept(Item item, @Nullable String answer) {
        if (answer == null || answer.isBlank()) {
            return null;
        }
        return switch (item.kind()) {
            case "text", "number", "written" -> answer.strip();
            default -> ItemForm.plain(item.kind(), answer);
        };
    }

    /** For whoever does not say so: what has no answer counts as left out. @return the sittings that are done now */
    List<Long> finish(int giving, List<Integer> students) {
        GivenLine given = given(giving);
        Set<Integer> asked = new HashSet<>(students);
        List<Long> done = new ArrayList<>();
        for (ChecksStore.SittingRow r : store.sittings(giving)) {
            if (asked.contains(r.student()) && !r.done() && r.sitting() != null && store.done(r.sitting(), "teacher")) {
                keeping.leftOut(r.sitting(), r.student(), given.checkId(), given.onPaper() ? "paper" : "check");
                done.add(r.sitting());
            }
        }
        return done;
    }

    /** Nobody answers any more. */
    void endGiving(int giving) {
        given(giving);
        store.endGiving(giving);
    }

    /** Another last day; one that was ended is open again. */
    void lasts(int giving, LocalDate ends) {
        GivenLine given = given(giving);
        if (ends.isBefore(calendar.today()) || ends.isAfter(given.starts().plusDays(LONGEST_DAYS))) {
            throw Refusal.invalid("ends", "Its last day is today or later, and at most " + LONGEST_DAYS + " days after its first. Nothing was saved.");
        }
        store.lasts(giving, ends);
    }

    /** Says what an answer is worth, for all who wrote it. @return the sittings in which it counts otherwise now */
    List<Long> decide(ChecksView.WorthForm f) {
        Item item = items.items(List.of(f.item())).get(f.item());
        if (item == null) {
            throw Refusal.notFound("There is no such item.");
        }
        require(item.schoolId());
        if (!(f.share() >= 0 && f.share() <= 1)) {
            throw Refusal.invalid("share", "What an answer is worth is a share of the points, from 0 to 1.");
        }
        String answer = ItemForm.plain(item.kind(), f.answer());
        store.worth(item.id(), answer, f.share(), f.shows() == null || f.shows().isBlank() ? null : f.shows().strip());
        return keeping.anew(item.id(), answer);
    }
}
