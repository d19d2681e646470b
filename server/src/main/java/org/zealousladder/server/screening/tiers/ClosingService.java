package org.zealousladder.server.screening.tiers;

import java.time.LocalDate;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.measures.SetupRights;
import org.zealousladder.server.measures.measures.Window;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;

/** Closes a screening window for a school and opens it again. */
@Service
public class ClosingService {
    private final ClosingStore store;
    private final MeasuresService measures;
    private final SetupRights rights;
    private final SchoolCalendar calendar;

    ClosingService(ClosingStore store, MeasuresService measures, SetupRights rights, SchoolCalendar calendar) {
        this.store = store;
        this.measures = measures;
        this.rights = rights;
        this.calendar = calendar;
    }

    @Transactional(readOnly = true)
    public WindowState state(int windowId, int schoolId, LocalDate asOf) {
        var events = store.events(windowId, schoolId, asOf);
        return new WindowState(!events.isEmpty() && events.get(0).kind().equals("closed"), events);
    }

    /** @throws Refusal 409 when the window is closed for the school */
    @Transactional(readOnly = true)
    public void requireOpen(Window window, int schoolId) {
        WindowState state = state(window.id(), schoolId, calendar.today());
        if (state.closed()) {
            WindowState.Event closing = state.events().get(0);
            throw Refusal.conflict("The " + window.name().toLowerCase(Locale.ROOT) + " window was closed on " + Words.day(closing.onDay())
                    + (closing.by() == null ? "" : " by " + closing.by()) + ". A coordinator can open it again; nothing was saved.");
        }
    }

    @Transactional
    public void close(int windowId, int schoolId) {
        rights.require(schoolId, "Screening windows");
        Window window = measures.window(windowId);
        store.lock(schoolId);
        if (window.ends().isAfter(calendar.today())) {
            throw Refusal.conflict(
                    "The " + window.name().toLowerCase(Locale.ROOT) + " window runs until " + Words.day(window.ends()) + "; it can be closed after that.");
        }
        requireOpen(window, schoolId);
        store.record(windowId, schoolId, "closed", calendar.today(), null, Viewer.current().id());
    }

    @Transactional
    public void reopen(int windowId, int schoolId, @Nullable String reason) {
        rights.require(schoolId, "Screening windows");
        store.lock(schoolId);
        if (reason == null || reason.isBlank()) {
            throw Refusal.invalid("reason", "Say why the window is opened again; it stays on record.");
        }
        if (!state(windowId, schoolId, calendar.today()).closed()) {
            throw Refusal.conflict("The window is open already.");
        }
        store.record(windowId, schoolId, "reopened", calendar.today(), reason.strip(), Viewer.current().id());
    }
}
