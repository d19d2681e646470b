package org.zealousladder.server.school.erasing;

import java.time.OffsetDateTime;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.audit.Audit;
import org.zealousladder.server.platform.audit.Audit.Kind;
import org.zealousladder.server.platform.audit.Audit.Note;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.RosterService;

/** Erasing takes two administrators: one asks, with a reason; another says yes. Until then it can be dropped, afterwards nothing brings it back. */
@Service
@Transactional
class ErasingService {
    private final ErasingStore store;
    private final RosterService roster;
    private final Audit audit;

    ErasingService(ErasingStore store, RosterService roster, Audit audit) {
        this.store = store;
        this.roster = roster;
        this.audit = audit;
    }

    /**
     * What is asked to be erased and waits for a second administrator.
     *
     * @param mine whether the viewer asked for it, and so cannot say yes to it
     */
    record Erasure(int id, int studentId, String code, String name, String reason, @Nullable String askedBy, boolean mine, OffsetDateTime askedAt) {}

    @Transactional(readOnly = true)
    public List<Erasure> open() {
        requireAdministrator();
        return store.open();
    }

    /** @throws Refusal 409 where it has been asked for already */
    public void ask(int student, String reason) {
        Viewer by = requireAdministrator();
        roster.history(student);
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
