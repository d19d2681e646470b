package org.zealousladder.server.measures.windows;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;

/** Screening windows, with the days they had as was known on a day. */
@Service
@Transactional(readOnly = true)
public class WindowsService {
    private final WindowsStore store;
    private final RosterService roster;

    WindowsService(WindowsStore store, RosterService roster) {
        this.store = store;
        this.roster = roster;
    }

    /** The windows of a school's years with the dates they had on a day, the earliest first. */
    public List<Window> of(int school, LocalDate asOf) {
        Set<Integer> years = roster.years(school).stream().map(SchoolYear::id).collect(Collectors.toSet());
        return store.windows(asOf).stream().filter(w -> years.contains(w.yearId())).toList();
    }

    /** The last {@code count} windows of a school that had begun by {@code asOf}, the oldest first. */
    public List<Window> seasons(int school, LocalDate asOf, int count) {
        List<Window> begun = of(school, asOf).stream().filter(w -> !w.starts().isAfter(asOf)).toList();
        return begun.subList(Math.max(0, begun.size() - count), begun.size());
    }

    /** All windows of all years, the earliest first. */
    public List<Window> windows() {
        return store.windows();
    }

    /** All windows of all years with the dates they had on a day, the earliest first. */
    public List<Window> windows(LocalDate asOf) {
        return store.windows(asOf);
    }

    public Window window(int id) {
        return required(store.windows(), id);
    }

    public Window window(int id, LocalDate asOf) {
        return required(store.windows(asOf), id);
    }

    private static Window required(List<Window> windows, int id) {
        return windows.stream().filter(w -> w.id() == id).findFirst().orElseThrow(() -> Refusal.notFound("There is no such screening window."));
    }
}
