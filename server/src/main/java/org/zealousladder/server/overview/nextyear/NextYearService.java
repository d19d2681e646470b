package org.zealousladder.server.overview.nextyear;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowEditor;
import org.zealousladder.server.measures.windows.WindowForm;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.overview.nextyear.NextYearForm.ClassNext;
import org.zealousladder.server.overview.nextyear.NextYearStore.ClassRow;
import org.zealousladder.server.overview.nextyear.NextYearView.ClassNow;
import org.zealousladder.server.overview.nextyear.NextYearView.NextYear;
import org.zealousladder.server.overview.nextyear.NextYearView.StudentNow;
import org.zealousladder.server.overview.nextyear.NextYearView.WindowNext;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.texts.Slug;
import org.zealousladder.server.platform.undoing.Undoing;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolEditor;
import org.zealousladder.server.school.roster.SchoolEditor.SchoolRef;
import org.zealousladder.server.school.roster.SchoolYear;

/** Proposes next year and makes it. Of the year that ends nothing changes but that what was open in it ends with it. */
@Service
class NextYearService {
    /** The same weekday a year later. */
    private static final int WEEKS = 52;
    private static final int HIGHEST_GRADE = 13;
    private static final Pattern NUMBERED = Pattern.compile("(\\D*)(\\d{1,2})(.*)");

    private final NextYearStore store;
    private final RosterService roster;
    private final SchoolEditor editor;
    private final WindowsService windows;
    private final WindowEditor windowEditor;
    private final Undoing undoing;
    private final SchoolCalendar calendar;

    NextYearService(NextYearStore store, RosterService roster, SchoolEditor editor, WindowsService windows, WindowEditor windowEditor, Undoing undoing,
            SchoolCalendar calendar) {
        this.store = store;
        this.roster = roster;
        this.editor = editor;
        this.windows = windows;
        this.windowEditor = windowEditor;
        this.undoing = undoing;
        this.calendar = calendar;
    }

    @Transactional(readOnly = true)
    NextYearView proposal(@Nullable Integer asked) {
        Viewer.administrator("The turn of the year is an administrator's.");
        List<SchoolRef> schools = editor.schools();
        int school = schools.stream().map(SchoolRef::id).filter(id -> asked == null || id.equals(asked)).findFirst()
                .orElseThrow(() -> Refusal.notFound("There is no school yet. Begin under Start."));
        SchoolYear year = ending(school);
        NextYear next = next(year, school);
        List<ClassRow> classes = store.classes(school, year.id());
        int highest = classes.stream().mapToInt(ClassRow::grade).max().orElse(HIGHEST_GRADE);
        boolean made = next.id() != null && !store.classes(school, next.id()).isEmpty();
        return new NextYearView(schools, school, year, next, made,
                classes.stream().map(c -> new ClassNow(c.id(), c.name(), c.grade(), c.teachers(), c.grade() < highest || classes.size() == 1, nextName(c),
                        Math.min(c.grade() + 1, HIGHEST_GRADE))).toList(),
                store.students(school, year.id(), on(year)), next.id() != null && windowsOf(next.id()).findAny().isPresent() ? List.of() : moved(year, next),
                store.cuts(year.id()));
    }

    /** Who is in a class at the year's end; while it runs, today. */
    private LocalDate on(SchoolYear year) {
        LocalDate today = calendar.today();
        return today.isAfter(year.ends()) ? year.ends() : today.isBefore(year.starts()) ? year.starts() : today;
    }

    /** The year that runs, or the last that has ended. */
    private SchoolYear ending(int school) {
        List<SchoolYear> years = roster.years(school);
        if (years.isEmpty()) {
            throw Refusal.notFound("There is no school year yet. Begin under Start.");
        }
        return roster.yearOf(calendar.today(), school);
    }

    private NextYear next(SchoolYear year, int school) {
        return roster.years(school).stream().filter(y -> y.starts().isAfter(year.ends())).reduce((a, b) -> b)
                .map(y -> new NextYear(y.id(), y.name(), y.starts(), y.ends()))
                .orElseGet(() -> {
                    LocalDate starts = year.starts().plusWeeks(WEEKS);
                    LocalDate from = starts.isAfter(year.ends()) ? starts : year.ends().plusDays(1);
                    LocalDate ends = year.ends().plusWeeks(WEEKS);
                    return new NextYear(null, SchoolEditor.called(from, ends), from, ends);
                });
    }

    /** 3B becomes 4B; a class named otherwise keeps its name. */
    private static String nextName(ClassRow c) {
        Matcher m = NUMBERED.matcher(c.name());
        return m.matches() && Integer.parseInt(m.group(2)) == c.grade() ? m.group(1) + (c.grade() + 1) + m.group(3) : c.name();
    }

    private java.util.stream.Stream<Window> windowsOf(int year) {
        return windows.windows().stream().filter(w -> w.yearId() == year);
    }

    private List<WindowNext> moved(SchoolYear year, NextYear next) {
        return windowsOf(year.id()).map(w -> new WindowNext(w.name(), w.starts().plusWeeks(WEEKS), w.ends().plusWeeks(WEEKS)))
                .filter(w -> !w.starts().isBefore(next.starts()) && !w.ends().isAfter(next.ends())).toList();
    }

    @Transactional
    NextYearController.YearMade make(NextYearForm form) {
        Viewer.administrator("The turn of the year is an administrator's. Nothing was saved.");
        SchoolYear year = roster.year(form.year());
        NextYear there = next(year, form.school());
        String school = editor.schools().stream().filter(s -> s.id() == form.school()).map(SchoolRef::name).findFirst()
                .orElseThrow(() -> Refusal.notFound("There is no such school. Nothing was saved."));
        if (there.id() != null && !store.classes(form.school(), there.id()).isEmpty()) {
            throw Refusal.conflict("The school has classes in " + there.name() + " already. Undo what was set up, or change single things. Nothing was saved.");
        }
        if (there.id() == null && !form.starts().isAfter(year.ends())) {
            throw Refusal.invalid("starts", "The next year begins after the last day of " + year.name() + ".");
        }
        Map<Integer, ClassRow> before = store.classes(form.school(), year.id()).stream().collect(Collectors.toMap(ClassRow::id, Function.identity()));
        check(form, before);
        undoing.begin(Undoing.Kind.NEXT_YEAR, form.name() + ", " + school);
        int next = there.id() != null ? there.id() : editor.addYear(form.name(), form.starts(), form.ends(), year.schoolId());
        LocalDate begins = there.id() != null ? there.starts() : form.starts();
        Map<Integer, Integer> into = addClasses(form, next, there.id() != null ? there.name() : form.name());
        List<StudentNow> students = store.students(form.school(), year.id(), on(year));
        int moved = enrol(form, year, students, into, begins);
        int copied = form.windows() ? copyWindows(year, roster.year(next)) : 0;
        int cuts = form.cuts() ? store.copyCuts(year.id(), next) : 0;
        undoing.came(into.size() + " classes, " + moved + " students move on, " + (students.size() - moved) + " leave, " + copied + " windows");
        return new NextYearController.YearMade(into.size(), moved, students.size() - moved, copied, cuts);
    }

    private static void check(NextYearForm form, Map<Integer, ClassRow> before) {
        Set<String> names = new HashSet<>();
        Set<Integer> froms = new HashSet<>();
        for (ClassNext c : form.classes()) {
            if (!before.containsKey(c.from()) || !froms.add(c.from())) {
                throw Refusal.conflict("The classes have changed since you looked. Open the page again; nothing was saved.");
            }
            if (!names.add(c.name().strip().toLowerCase(java.util.Locale.ROOT))) {
                throw Refusal.invalid("classes", "Two classes would be called " + c.name().strip() + ". Give each its own name.");
            }
            if (c.grade() < 0 || c.grade() > HIGHEST_GRADE) {
                throw Refusal.invalid("classes", "A grade is a whole number from 0 to " + HIGHEST_GRADE + ".");
            }
        }
        form.others().stream().filter(o -> o.to() != null && !froms.contains(o.to())).findFirst().ifPresent(o -> {
            throw Refusal.invalid("others", "A student would go into a class that does not go on. Choose another for them.");
        });
    }

    /** @return by the class it comes from */
    private Map<Integer, Integer> addClasses(NextYearForm form, int next, String year) {
        List<String> codes = new ArrayList<>(store.classCodes());
        Map<Integer, Integer> into = new HashMap<>();
        for (ClassNext c : form.classes()) {
            String code = Slug.unused(year + "-" + c.name(), codes);
            codes.add(code);
            int id = store.addClass(c.from(), next, code, c.name().strip(), c.grade());
            into.put(c.from(), id);
            if (c.teachers()) {
                store.copyTeachers(c.from(), id);
            }
        }
        return into;
    }

    private int enrol(NextYearForm form, SchoolYear year, List<StudentNow> students, Map<Integer, Integer> into, LocalDate begins) {
        Map<Integer, @Nullable Integer> others = new HashMap<>();
        form.others().forEach(o -> others.put(o.student(), o.to()));
        Set<Integer> known = students.stream().map(StudentNow::id).collect(Collectors.toSet());
        if (!known.containsAll(others.keySet())) {
            throw Refusal.conflict("The classes have changed since you looked. Open the page again; nothing was saved.");
        }
        List<Integer> who = new ArrayList<>();
        List<Integer> where = new ArrayList<>();
        for (StudentNow s : students) {
            Integer from = others.containsKey(s.id()) ? others.get(s.id()) : Integer.valueOf(s.classId());
            Integer to = from == null ? null : into.get(from);
            if (to != null) {
                who.add(s.id());
                where.add(to);
            }
        }
        store.endEnrolments(form.school(), year.id(), year.ends());
        store.enrol(who.toArray(Integer[]::new), where.toArray(Integer[]::new), begins);
        store.tellNamesakes();
        return who.size();
    }

    private int copyWindows(SchoolYear year, SchoolYear next) {
        if (windowsOf(next.id()).findAny().isPresent()) {
            return 0;
        }
        List<WindowNext> all = moved(year, new NextYear(next.id(), next.name(), next.starts(), next.ends()));
        all.forEach(w -> windowEditor.save(new WindowForm(null, next.id(), w.name(), w.starts(), w.ends())));
        return all.size();
    }
}
