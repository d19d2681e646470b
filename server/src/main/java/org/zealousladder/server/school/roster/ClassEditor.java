package org.zealousladder.server.school.roster;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.texts.Slug;
import org.zealousladder.server.platform.undoing.Undoing;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Grades;
import org.zealousladder.server.platform.words.Words;

/** Makes, fills, merges and ends classes. What moves many at once can be undone as a whole. */
@Service
@Transactional
public class ClassEditor {
    private static final String WHO = "Classes are changed by administrators. Nothing was saved.";

    private final ClassStore store;
    private final RosterService roster;
    private final Undoing undoing;

    ClassEditor(ClassStore store, RosterService roster, Undoing undoing) {
        this.store = store;
        this.roster = roster;
        this.undoing = undoing;
    }

    /**
     * A new class.
     *
     * @param teacher null: nobody yet
     * @return its id
     */
    public int add(int school, int yearId, String name, int grade, @Nullable Integer teacher) {
        Viewer.administrator(WHO);
        SchoolYear year = roster.year(yearId);
        String plain = name.strip();
        if (grade < Grades.FIRST || grade > Grades.LAST) {
            throw Refusal.invalid("grade", "A grade is KG, or a number from 1 to 13.");
        }
        if (!store.schoolThere(school)) {
            throw Refusal.notFound("There is no such school. Nothing was saved.");
        }
        roster.requireYear(school, yearId);
        undoing.begin(Undoing.Kind.CLASSES, plain);
        try {
            int id = store.add(Slug.unused(year.name() + "-" + plain, store.codes()), school, yearId, plain, grade);
            if (teacher != null) {
                store.addTeacher(id, teacher);
            }
            undoing.came("a class, " + Grades.words(grade) + ", " + year.name());
            return id;
        } catch (DataIntegrityViolationException e) {
            throw Refusal.invalid("name", "There is a class called " + plain + " in this year already. Nothing was saved.");
        }
    }

    /** From a day on these students are in the class; what each was in before ends the day before. */
    public void fill(int into, List<Integer> students, LocalDate from) {
        Viewer.administrator(WHO);
        ClassRef target = require(into);
        roster.requireStudents(Set.copyOf(students));
        within(target, from, "from");
        undoing.begin(Undoing.Kind.CLASSES, "Into " + target.name());
        int moved = move(students, into, from);
        undoing.came((moved == 1 ? "1 student" : moved + " students") + " from " + Words.day(from));
    }

    /** From a day on everybody of one class is in another, and the one ends. */
    public void merge(int from, int into, LocalDate day) {
        Viewer.administrator(WHO);
        ClassRef gone = require(from);
        ClassRef target = require(into);
        if (from == into || gone.yearId() != target.yearId() || gone.schoolId() != target.schoolId()) {
            throw Refusal.invalid("into", "Classes are merged within a school and a year. Choose another. Nothing was saved.");
        }
        within(target, day, "from");
        undoing.begin(Undoing.Kind.CLASSES, gone.name() + " into " + target.name());
        int moved = move(store.students(from, day), into, day);
        store.end(from, day.minusDays(1));
        store.tellNamesakes();
        undoing.came((moved == 1 ? "1 student" : moved + " students") + " from " + Words.day(day));
    }

    /** A student's last day: the class, groups and caseloads end with it. Nothing on record goes. */
    public void leave(int student, LocalDate last) {
        Viewer.administrator(WHO);
        roster.requireStudent(student);
        ClassStore.Place place = store.place(student, last)
                .orElseThrow(() -> Refusal.invalid("last", "The student is in no class on that day. Nothing was saved."));
        if (store.placeAfter(student, last)) {
            throw Refusal.invalid("last", "The student is put down for a class after that day. End or undo that first; nothing was saved.");
        }
        undoing.begin(Undoing.Kind.CLASSES, "Leaves " + place.className());
        store.leave(student, last);
        undoing.came("a student leaves on " + Words.day(last));
    }

    /** The class ends, and with it who is in it and who teaches it. */
    public void end(int id, LocalDate last) {
        Viewer.administrator(WHO);
        ClassRef of = require(id);
        within(of, last, "ends");
        undoing.begin(Undoing.Kind.CLASSES, of.name() + " ends");
        int left = store.end(id, last);
        store.tellNamesakes();
        undoing.came((left == 1 ? "1 student leaves" : left + " students leave") + " with it after " + Words.day(last));
    }

    private int move(List<Integer> students, int into, LocalDate from) {
        try {
            int moved = store.move(students, into, from);
            store.tellNamesakes();
            return moved;
        } catch (DataIntegrityViolationException e) {
            throw Refusal.invalid("from",
                    "On that day one of them begins in a class already, or is put down for a later one. Choose another day. Nothing was saved.");
        }
    }

    private void within(ClassRef of, LocalDate day, String field) {
        SchoolYear year = roster.year(of.yearId());
        if (day.isBefore(year.starts()) || day.isAfter(year.ends())) {
            throw Refusal.invalid(field, "The day must lie in the school year, " + Words.day(year.starts()) + " to " + Words.day(year.ends()) + ".");
        }
    }

    private ClassRef require(int id) {
        return roster.classes().stream().filter(c -> c.id() == id).findFirst()
                .orElseThrow(() -> Refusal.notFound("There is no such class. Nothing was saved."));
    }
}
