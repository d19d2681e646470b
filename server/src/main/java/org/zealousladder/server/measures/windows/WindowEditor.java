package org.zealousladder.server.measures.windows;

import java.util.List;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.SetupRights;

/** Adds, changes and takes away screening windows. */
@Service
@Transactional
public class WindowEditor {
    private final WindowsStore store;
    private final WindowsService windows;
    private final RosterService roster;
    private final SetupRights rights;
    private final List<WindowUse> uses;

    WindowEditor(WindowsStore store, WindowsService windows, RosterService roster, SetupRights rights, List<WindowUse> uses) {
        this.store = store;
        this.windows = windows;
        this.roster = roster;
        this.rights = rights;
        this.uses = uses;
    }

    /** @return the window as it is now */
    public Window save(WindowForm form) {
        rights.require(null, "Screening windows");
        SchoolYear year = roster.year(form.yearId());
        if (form.ends().isBefore(form.starts())) {
            throw Refusal.invalid("ends", "The last day is before the first. Nothing was saved.");
        }
        if (form.starts().isBefore(year.starts()) || form.ends().isAfter(year.ends())) {
            throw Refusal.invalid("starts", "The school year " + year.name() + " runs from " + Words.day(year.starts()) + " to " + Words.day(year.ends())
                    + "; the window must lie within it. Nothing was saved.");
        }
        List<Window> others = windows.windows().stream().filter(w -> w.yearId() == form.yearId() && (form.id() == null || w.id() != form.id())).toList();
        others.stream().filter(w -> !w.starts().isAfter(form.ends()) && !w.ends().isBefore(form.starts())).findFirst().ifPresent(w -> {
            throw Refusal.invalid("starts",
                    "It would overlap " + w.name() + ", " + Words.day(w.starts()) + " to " + Words.day(w.ends()) + ". Nothing was saved.");
        });
        String name = form.name().strip();
        if (others.stream().anyMatch(w -> w.name().equalsIgnoreCase(name))) {
            throw Refusal.invalid("name", "This year has a window called " + name + " already. Nothing was saved.");
        }
        if (form.id() == null) {
            return windows.window(store.insertWindow(form.yearId(), name, form.starts(), form.ends()));
        }
        windows.window(form.id());
        store.changeWindow(form.id(), name, form.starts(), form.ends());
        return windows.window(form.id());
    }

    /** Takes away a window on which nothing hangs. */
    public void remove(int id) {
        rights.require(null, "Screening windows");
        Window window = windows.window(id);
        uses.forEach(use -> use.of(window).ifPresent(what -> {
            throw Refusal.conflict(what + ", so it cannot be deleted. Its name and days can be changed.");
        }));
        try {
            store.deleteWindow(id);
        } catch (DataIntegrityViolationException e) {
            throw Refusal.conflict("Scores, tiers, make-ups or closings were recorded for " + window.name()
                    + ", so it cannot be deleted. Its name and days can be changed.");
        }
    }
}
