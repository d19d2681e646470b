package org.zealousladder.server.school.roster;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.audit.Looked;
import org.zealousladder.server.platform.criteria.Sql;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Grades;

/** Who is in scope. Every view starts here, and here it is refused when the scope is not the viewer's. */
@Service
@Transactional(readOnly = true)
public class RosterService {
    private final RosterStore store;
    private final SchoolCalendar calendar;

    RosterService(RosterStore store, SchoolCalendar calendar) {
        this.store = store;
        this.calendar = calendar;
    }

    public List<SchoolYear> years() {
        return store.years();
    }

    /** The classes the viewer may see, of all years. */
    public List<ClassRef> classes() {
        return store.classes();
    }

    /** The teaching groups the viewer may see, of all years, but for those that have ended. */
    public List<GroupRef> groups() {
        return store.groups();
    }

    /** Small groups that have not ended. */
    public List<TableRef> tables() {
        return store.tables();
    }

    /** Caseloads that the viewer may open. */
    public List<CaseloadRef> caseloads() {
        return store.caseloads();
    }

    /** Kept lists that the viewer sees, by name. */
    public List<ListRef> lists() {
        return store.lists();
    }

    public SchoolYear year(int yearId) {
        return store.years().stream().filter(y -> y.id() == yearId).findFirst()
                .orElseThrow(() -> Refusal.notFound("There is no such school year."));
    }

    /** The years of a school, the newest first: its own, and those of every school in whose time it has none. */
    public List<SchoolYear> years(int school) {
        List<SchoolYear> all = store.years();
        List<SchoolYear> own = all.stream().filter(y -> y.schoolId() != null && y.schoolId() == school).toList();
        return all.stream().filter(y -> own.contains(y)
                || y.schoolId() == null && own.stream().noneMatch(o -> !o.starts().isAfter(y.ends()) && !o.ends().isBefore(y.starts()))).toList();
    }

    /** @throws Refusal 422 when the year is not one of the school's */
    void requireYear(int school, int yearId) {
        if (years(school).stream().noneMatch(y -> y.id() == yearId)) {
            throw Refusal.invalid("year", year(yearId).name() + " is not a year of that school. Choose another. Nothing was saved.");
        }
    }

    /** The year of a school that holds {@code day}, or the last one begun before it. */
    public SchoolYear yearOf(LocalDate day, int school) {
        List<SchoolYear> years = years(school);
        return years.stream().filter(y -> !y.starts().isAfter(day)).findFirst().orElse(years.get(years.size() - 1));
    }

    /**
     * The students of {@code who} on {@code asOf}, by given name, as it was known on that day.
     *
     * @throws Refusal 403 when the scope is not the viewer's
     */
    public List<Enrolled> enrolled(Who who, int yearId, LocalDate asOf) {
        requireVisible(who);
        return shown(store.enrolled(who, yearId, asOf, asOf));
    }

    /** The students of every school of the viewer's. */
    public List<Enrolled> everybody(int yearId, LocalDate asOf) {
        return classes().stream().filter(c -> c.yearId() == yearId).map(ClassRef::schoolId).distinct()
                .flatMap(s -> enrolled(new Who(Who.Kind.SCHOOL, s, null), yearId, asOf).stream()).toList();
    }

    /** The students of some classes of any years, each on {@code asOf} or, where its year was over, at its end. */
    public List<Enrolled> enrolledIn(Collection<Integer> classes, LocalDate asOf) {
        return classes.isEmpty() ? List.of() : shown(store.enrolledIn(classes, asOf));
    }

    /** The students of {@code who} on {@code day}, as it is known now. */
    public List<Enrolled> enrolledThen(Who who, int yearId, LocalDate day) {
        requireVisible(who);
        return shown(store.enrolled(who, yearId, day, calendar.today()));
    }

    /**
     * Everyone who was in {@code who} on any day of a time, each once: with the dates of the class they were in on {@code on}, or of
     * their last one if they were in none then.
     *
     * @param known the day on which that was known
     * @throws Refusal 403 when the scope is not the viewer's
     */
    public List<Enrolled> enrolledDuring(Who who, int yearId, LocalDate from, LocalDate to, LocalDate on, LocalDate known) {
        requireVisible(who);
        return shown(store.enrolledDuring(who, yearId, from, to, on, known));
    }

    /**
     * The school that {@code who} is in or is.
     *
     * @throws Refusal 403 when the scope is not the viewer's
     */
    public int school(Who who) {
        requireVisible(who);
        return store.school(who);
    }

    /**
     * Some students with the day and the year in which they are looked at, and what they are called together.
     *
     * @param one who was named alone; null otherwise
     * @param day within the year
     */
    public record Members(String title, @Nullable StudentRef one, SchoolYear year, LocalDate day, List<Enrolled> students) {}

    /**
     * Those of {@code whose} on {@code asked}, of whichever year a class or group is of: of one that is over, as it was at its end.
     *
     * @throws Refusal 403 when the scope is not the viewer's, 404 where none of some named students is among the viewer's
     */
    public Members members(Whose whose, LocalDate asked) {
        Who who = whose.who();
        if (who == null) {
            List<Enrolled> students = enrolledAmong(whose.students(), asked);
            if (students.isEmpty()) {
                throw Refusal.notFound(whose.students().size() == 1 ? "That student is not among yours on this day."
                        : "None of these students is among yours on this day.");
            }
            StudentRef one = students.size() == 1 ? students.get(0).ref() : null;
            return new Members(one != null ? one.name() : students.size() + " students", one, yearOf(asked, students.get(0).schoolId()), asked, students);
        }
        SchoolYear year = yearOf(who, asked);
        LocalDate day = year.clamp(asked);
        return new Members(title(who), null, year, day, enrolled(who, year.id(), day));
    }

    private SchoolYear yearOf(Who who, LocalDate day) {
        Integer own = switch (who.kind()) {
            case CLASS -> classes().stream().filter(c -> c.id() == who.id()).map(ClassRef::yearId).findFirst().orElse(null);
            case GROUP -> groups().stream().filter(g -> g.id() == who.id()).map(GroupRef::yearId).findFirst().orElse(null);
            case TABLE -> tables().stream().filter(t -> t.id() == who.id()).map(TableRef::yearId).findFirst().orElse(null);
            default -> null;
        };
        return own != null ? year(own) : yearOf(day, school(who));
    }

    /** A scope in words: {@code Kittiwake class, grade 3}. */
    public String title(Who who) {
        return switch (who.kind()) {
            case CLASS -> classes().stream().filter(c -> c.id() == who.id()).findFirst()
                    .map(c -> (c.name().toLowerCase(Locale.ROOT).contains("class") ? c.name() : c.name() + " class") + ", " + Grades.words(c.grade()))
                    .orElse("A class");
            case GROUP -> groups().stream().filter(g -> g.id() == who.id()).map(GroupRef::name).findFirst().orElse("A group");
            case TABLE -> tables().stream().filter(t -> t.id() == who.id()).map(t -> t.title() + ": " + t.name()).findFirst().orElse("A group");
            case CASELOAD -> caseloads().stream().filter(c -> c.personId() == who.id()).map(CaseloadRef::name).findFirst().orElse("A caseload");
            case LIST -> lists().stream().filter(l -> l.id() == who.id()).map(ListRef::name).findFirst().orElse("A list");
            case GRADE -> Grades.title(requireNonNull(who.grade())) + ", " + schoolName(who.id());
            case SCHOOL -> schoolName(who.id());
        };
    }

    private String schoolName(int school) {
        return classes().stream().filter(c -> c.schoolId() == school).findFirst().map(ClassRef::schoolName).orElse("School");
    }

    /** Those of {@code students} whom the viewer may see and who are enrolled on {@code asOf}, as it was known on that day. */
    public List<Enrolled> enrolledAmong(Collection<Integer> students, LocalDate asOf) {
        return shown(store.enrolledAmong(students, asOf, asOf));
    }

    /** The same by the school year that runs in their school. */
    public Map<SchoolYear, List<Enrolled>> byYear(Collection<Integer> students, LocalDate asOf) {
        Map<Integer, SchoolYear> years = new HashMap<>();
        return enrolledAmong(students, asOf).stream().collect(Collectors.groupingBy(e -> years.computeIfAbsent(e.schoolId(), k -> yearOf(asOf, k))));
    }

    /**
     * The students of a scope as the first part of a statement, in the form that {@link org.zealousladder.server.platform.criteria.Asking} describes.
     *
     * @param who null: every student of the viewer's
     * @throws Refusal 403 when the scope is not the viewer's
     */
    public Sql base(@Nullable Who who, LocalDate asOf) {
        if (who != null) {
            requireVisible(who);
        }
        int year = who == null || who.small() ? 0 : yearOf(asOf, who.id()).id();
        return RosterTerms.base(who, year, null, asOf, asOf.isBefore(calendar.today()));
    }

    /** The same of some students, of those whom the viewer may see. */
    public Sql base(Collection<Integer> students, LocalDate asOf) {
        return RosterTerms.base(null, 0, students, asOf, asOf.isBefore(calendar.today()));
    }

    /** Where those of {@code students} whom the viewer may see were on {@code day}, as it is known now. */
    public List<Enrolled> enrolledThen(Collection<Integer> students, LocalDate day) {
        return shown(store.enrolledAmong(students, day, calendar.today()));
    }

    private void requireVisible(Who who) {
        Viewer viewer = Viewer.current();
        switch (who.kind()) {
            case CLASS -> {
                if (!store.classVisible(who.id())) {
                    throw Refusal.forbidden("That class is not one of yours. Choose another in the line at the top.");
                }
            }
            case GROUP -> {
                if (!store.groupVisible(who.id())) {
                    throw Refusal.forbidden("That group is not one of yours. Choose another in the line at the top.");
                }
            }
            case TABLE -> {
                if (!store.tableVisible(who.id())) {
                    throw Refusal.forbidden("That group is not one of yours. Choose another in the line at the top.");
                }
            }
            case CASELOAD -> {
                if (!store.caseloadVisible(who.id())) {
                    throw Refusal.forbidden("That caseload is somebody else's. Choose another in the line at the top.");
                }
            }
            case LIST -> {
                if (!store.listVisible(who.id())) {
                    throw Refusal.forbidden("That list is another person's and not shared. Choose another in the line at the top.");
                }
            }
            case GRADE, SCHOOL -> {
                if (!viewer.leads(who.id())) {
                    throw Refusal.forbidden("A whole grade or school is for its coordinators. Choose one of your classes in the line at the top.");
                }
            }
            default -> throw new IllegalStateException();
        }
    }

    /** The grade each student was in on each of some days, as {@code known} on a day; students who were not here on a day are left out for it. */
    public Map<LocalDate, Map<Integer, Integer>> gradesOn(Collection<Integer> students, Collection<LocalDate> days, LocalDate known) {
        Map<LocalDate, Map<Integer, Integer>> grades = new HashMap<>();
        days.forEach(day -> grades.put(day, new HashMap<>()));
        if (!students.isEmpty() && !days.isEmpty()) {
            store.gradesOn(students, days, known).forEach(g -> requireNonNull(grades.get(g.day())).put(g.studentId(), g.grade()));
        }
        return grades;
    }

    /** All enrolments of a student the viewer may see, the newest first, as they were known on a day. */
    public List<Enrolled> history(int studentId, LocalDate known) {
        List<Enrolled> history = store.history(studentId, known);
        if (history.isEmpty()) {
            throw Refusal.notFound("There is no such student among yours.");
        }
        Looked.at(studentId);
        return history;
    }

    /** The student's place in a class on {@code day}, or the nearest one before or after it. */
    public Enrolled enrolled(int studentId, LocalDate day) {
        List<Enrolled> history = history(studentId, day);
        return history.stream().filter(e -> !e.enrolledFrom().isAfter(day)).findFirst().orElse(history.get(history.size() - 1));
    }

    /** @throws Refusal 403 when the student is not one of the viewer's */
    public void requireStudent(int studentId) {
        requireStudents(Set.of(studentId));
    }

    /** @throws Refusal 403 when one of the students is not one of the viewer's */
    public void requireStudents(Set<Integer> students) {
        if (store.visible(students) != students.size()) {
            throw Refusal.forbidden(students.size() == 1 ? "That student is not one of yours. Nothing was saved."
                    : "One of the students is not one of yours. Nothing was saved.");
        }
        Looked.at(students);
    }

    /** Students whose name or code begins with or holds {@code words}. */
    public List<Enrolled> find(String words, LocalDate asOf) {
        return words.isBlank() ? List.of() : shown(store.find(words.strip(), asOf, 12));
    }

    /** Whoever asks for students has come by their records: that is noted. */
    private static List<Enrolled> shown(List<Enrolled> students) {
        Looked.at(students.stream().map(Enrolled::id).distinct().toList());
        return students;
    }
}
