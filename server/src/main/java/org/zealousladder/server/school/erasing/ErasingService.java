package org.zealousladder.server.school.erasing;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.audit.Audit;
import org.zealousladder.server.platform.audit.Audit.Kind;
import org.zealousladder.server.platform.audit.Audit.Note;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.LadderProperties;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.RosterService;

/** Erasing takes two administrators: one asks, with a reason; another says yes. Until then it can be dropped, afterwards nothing brings it back. */
@Service
@Transactional
class ErasingService {
    private final ErasingStore store;
    private final RosterService roster;
    private final Audit audit;
    private final SchoolCalendar calendar;
    private final int years;

    ErasingService(ErasingStore store, RosterService roster, Audit audit, SchoolCalendar calendar, LadderProperties properties) {
        this.calendar = calendar;
        this.years = properties.leaverYears();
        this.store = store;
        this.roster = roster;
        this.audit = audit;
    }

    /**
     * What is asked to be erased and waits for a second administrator.
     *
     * @param batch the same number for all who were asked for as one
     * @param mine whether the viewer asked for it, and so cannot say yes to it
     */
    record Erasure(int id, int studentId, String code, String name, String reason, @Nullable String askedBy, boolean mine, OffsetDateTime askedAt,
            @Nullable Integer batch) {}

    /** A student who left so long ago that the records need not be kept. */
    record Leaver(int studentId, String code, String name, LocalDate leftOn) {}

    /**
     * Who may go because of having left.
     *
     * @param years for how many years a leaver's records are kept; 0: until they are erased one by one
     */
    record Leavers(int years, List<Leaver> due) {}

    @Transactional(readOnly = true)
    public List<Erasure> open() {
        requireAdministrator();
        return store.open();
    }

    @Transactional(readOnly = true)
    public Leavers leavers() {
        requireAdministrator();
        return new Leavers(years, years == 0 ? List.of() : store.leavers(calendar.today().minusYears(years)));
    }

    /**
     * Asks for all leavers who are due.
     *
     * @param count how many the viewer was shown
     * @throws Refusal 409 where they are others by now
     */
    public void askLeavers(int count) {
        Viewer by = requireAdministrator();
        List<Integer> students = leavers().due().stream().map(Leaver::studentId).toList();
        if (students.size() != count || count == 0) {
            throw Refusal.conflict("There are others by now: " + students.size() + " instead of " + count + ". Look again; nothing was asked for.");
        }
        store.ask(students, "left more than " + Words.number(years) + (years == 1 ? " year ago" : " years ago"), by.id());
        noteAll("asked for erasing of leavers", count);
    }

    public void dropBatch(int batch) {
        Viewer by = requireAdministrator();
        List<Erasure> all = together(batch);
        store.dropBatch(batch, by.id());
        noteAll("erasing of leavers dropped", all.size());
    }

    /**
     * @param count how many they are, typed by whoever says yes
     * @throws Refusal 403 for whoever asked for it, 422 for another number
     */
    public void confirmBatch(int batch, int count) {
        requireAdministrator();
        List<Erasure> all = together(batch);
        if (all.get(0).mine()) {
            throw Refusal.forbidden("You asked for it yourself; another administrator has to say yes. Nothing was erased.");
        }
        if (all.size() != count) {
            throw Refusal.invalid("count", "They are " + all.size() + ". Nothing was erased.");
        }
        noteAll("erased leavers", store.eraseBatch(batch));
    }

    private List<Erasure> together(int batch) {
        List<Erasure> all = store.open().stream().filter(e -> e.batch() != null && e.batch() == batch).toList();
        if (all.isEmpty()) {
            throw gone();
        }
        return all;
    }

    private void noteAll(String what, int students) {
        audit.note(new Note(Kind.ERASED, what, null, null, students, null));
    }

    /** @throws Refusal 409 where it has been asked for already */
    public void ask(int student, String reason) {
        Viewer by = requireAdministrator();
        roster.requireStudent(student);
        if (store.open().stream().anyMatch(e -> e.studentId() == student)) {
            throw Refusal.conflict("It has been asked for already; another administrator finds it under Records, History.");
        }
        store.ask(student, reason, by.id());
        note("asked for erasing", student);
    }

    public void drop(int id) {
        Viewer by = requireAdministrator();
        Erasure erasure = waiting(id);
        store.drop(id, by.id());
        note("erasing dropped", erasure.studentId());
    }

    /**
     * @param code the student's code, typed by whoever says yes
     * @throws Refusal 403 for whoever asked for it, 422 for another code
     */
    public void confirm(int id, String code) {
        requireAdministrator();
        Erasure erasure = waiting(id);
        if (erasure.mine()) {
            throw Refusal.forbidden("You asked for it yourself; another administrator has to say yes. Nothing was erased.");
        }
        if (!erasure.code().equalsIgnoreCase(code.strip())) {
            throw Refusal.invalid("code", "That is not the student's code. Nothing was erased.");
        }
        int student = store.erase(id).orElseThrow(ErasingService::gone);
        note("erased", student);
    }

    private Erasure waiting(int id) {
        return store.open().stream().filter(e -> e.id() == id).findFirst().orElseThrow(ErasingService::gone);
    }

    private static Refusal gone() {
        return Refusal.notFound("That is not waiting any more: it has been done, or dropped.");
    }

    private void note(String what, int student) {
        audit.note(new Note(Kind.ERASED, what, null, student, null, null));
    }

    private static Viewer requireAdministrator() {
        return Viewer.administrator("Erasing a student takes two administrators. Nothing was erased.");
    }
}
