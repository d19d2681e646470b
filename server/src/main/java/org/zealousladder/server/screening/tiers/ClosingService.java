package org.zealousladder.server.screening.tiers;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowGuard;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.ClassRef;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SetupRights;
import org.zealousladder.server.screening.standings.Screening;
import org.zealousladder.server.screening.tiers.ClosingStore.EventRow;
import org.zealousladder.server.screening.tiers.ClosingStore.PartRow;
import org.zealousladder.server.screening.tiers.WindowState.ClassInArea;
import org.zealousladder.server.screening.tiers.WindowState.Event;
import org.zealousladder.server.screening.tiers.WindowState.Kind;

/** Closes a screening window for a school, or for some of its classes and areas, and opens it again. */
@Service
public class ClosingService implements WindowGuard {
    private final ClosingStore store;
    private final MeasuresService measures;
    private final WindowsService allWindows;
    private final RosterService roster;
    private final SetupRights rights;
    private final SchoolCalendar calendar;

    ClosingService(ClosingStore store, MeasuresService measures, WindowsService allWindows, RosterService roster, SetupRights rights, SchoolCalendar calendar) {
        this.store = store;
        this.measures = measures;
        this.allWindows = allWindows;
        this.roster = roster;
        this.rights = rights;
        this.calendar = calendar;
    }

    /** What was done, and for what: the newest event that speaks of a class and area decides about it. */
    private record Log(List<EventRow> events, Map<Long, List<ClassInArea>> parts) {

        @Nullable
        EventRow newest(ClassInArea part) {
            return events.stream().filter(e -> parts.getOrDefault(e.id(), List.of(part)).contains(part)).findFirst().orElse(null);
        }

        boolean closed(ClassInArea part) {
            EventRow newest = newest(part);
            return newest != null && newest.kind() == Kind.CLOSED;
        }
    }

    private Log log(int windowId, int schoolId, LocalDate asOf) {
        List<EventRow> events = store.events(windowId, schoolId, asOf);
        Map<Long, List<ClassInArea>> parts = new HashMap<>();
        if (!events.isEmpty()) {
            for (PartRow p : store.parts(events.stream().map(EventRow::id).toList())) {
                parts.computeIfAbsent(p.eventId(), k -> new ArrayList<>()).add(new ClassInArea(p.classId(), p.area()));
            }
        }
        return new Log(events, parts);
    }

    /** Of the classes of a screening in some areas. */
    @Transactional(readOnly = true)
    public WindowState state(Screening screening, Collection<String> areas) {
        List<Integer> classes = screening.everyone().map(Enrolled::classId).distinct().toList();
        return state(screening.window().id(), screening.schoolId(), screening.asOf(), parts(classes, areas));
    }

    WindowState state(int windowId, int schoolId, LocalDate asOf, List<ClassInArea> all) {
        Log log = log(windowId, schoolId, asOf);
        List<ClassInArea> closed = all.stream().filter(log::closed).toList();
        boolean whole = !all.isEmpty() && closed.size() == all.size();
        Map<Integer, String> names = roster.classes().stream().collect(Collectors.toMap(ClassRef::id, ClassRef::name));
        List<Event> events = log.events().stream().map(e -> new Event(e.kind(), e.onDay(), e.by(), e.reason(),
                words(log.parts().getOrDefault(e.id(), List.of()), names))).toList();
        return new WindowState(whole, whole ? List.of() : closed, events);
    }

    private static List<ClassInArea> parts(Collection<Integer> classes, Collection<String> areas) {
        return areas.stream().flatMap(a -> classes.stream().map(c -> new ClassInArea(c, a))).toList();
    }

    /** "Reading: Kittiwake and Tern; Maths: Gannet"; empty for everything. */
    private static String words(List<ClassInArea> parts, Map<Integer, String> names) {
        Map<String, List<String>> byArea = new TreeMap<>();
        parts.forEach(p -> byArea.computeIfAbsent(p.area(), k -> new ArrayList<>()).add(names.getOrDefault(p.classId(), "another class")));
        return byArea.entrySet().stream().map(e -> e.getKey() + ": " + Words.list(e.getValue().stream().distinct().toList())).collect(Collectors.joining("; "));
    }

    /** Of the class in which the student was at the window's end, or is while it runs; who was in none then is in no closed one. */
    @Override
    @Transactional(readOnly = true)
    public void requireOpen(Window window, int studentId, String area) {
        LocalDate day = window.ends().isAfter(calendar.today()) ? calendar.today() : window.ends();
        roster.enrolledThen(List.of(studentId), day).forEach(then -> requireOpen(window, then.schoolId(), List.of(then.classId()), area));
    }

    /** @throws Refusal 409 when the window is closed for one of the classes in an area */
    @Transactional(readOnly = true)
    public void requireOpen(Window window, int schoolId, Collection<Integer> classes, String area) {
        Log log = log(window.id(), schoolId, calendar.today());
        parts(classes, List.of(area)).stream().filter(log::closed).findFirst().ifPresent(part -> {
            EventRow closing = java.util.Objects.requireNonNull(log.newest(part));
            throw Refusal.conflict("The " + window.name().toLowerCase(Locale.ROOT) + " window was closed"
                    + (log.parts().containsKey(closing.id()) ? " for " + area.toLowerCase(Locale.ROOT) + " in this class" : "") + " on "
                    + Words.day(closing.onDay()) + (closing.by() == null ? "" : " by " + closing.by())
                    + ". A coordinator can open it again; nothing was saved.");
        });
    }

    /**
     * What is closed or opened, as it is sent.
     *
     * @param parts for which classes and areas; none: for everything
     */
    public record ClosingForm(int window, int school, boolean close, @jakarta.validation.constraints.NotNull List<ClassInArea> parts,
            @Nullable @jakarta.validation.constraints.Size(max = 500) String reason) {}

    @Transactional
    public void change(ClosingForm form) {
        rights.require(form.school(), "Screening windows");
        Window window = allWindows.window(form.window());
        store.lock(form.school());
        if (form.close() && !window.ends().isBefore(calendar.today())) {
            throw Refusal.conflict(
                    "The " + window.name().toLowerCase(Locale.ROOT) + " window runs until " + Words.day(window.ends()) + "; it can be closed after that.");
        }
        String reason = Words.orNull(form.reason());
        if (reason == null) {
            throw Refusal.invalid("reason", "Say why the window is " + (form.close() ? "closed" : "opened again") + "; it stays on record.");
        }
        List<ClassInArea> all = all(window, form.school());
        List<ClassInArea> asked = form.parts().isEmpty() ? all : form.parts();
        if (!all.containsAll(asked)) {
            throw Refusal.invalid("parts", "One of the classes or areas is not of this school and year. Nothing was saved.");
        }
        Log log = log(window.id(), form.school(), calendar.today());
        Predicate<ClassInArea> already = p -> log.closed(p) == form.close();
        if (asked.stream().allMatch(already)) {
            throw form.close() ? closedAlready(window, java.util.Objects.requireNonNull(log.newest(asked.get(0))))
                    : Refusal.conflict("The window is open already.");
        }
        store.record(new ClosingStore.NewEvent(window.id(), form.school(), form.close() ? Kind.CLOSED : Kind.REOPENED, calendar.today(), reason,
                Viewer.current().id()), asked.containsAll(all) ? List.of() : asked);
    }

    private static Refusal closedAlready(Window window, EventRow closing) {
        return Refusal.conflict("The " + window.name().toLowerCase(Locale.ROOT) + " window was closed on " + Words.day(closing.onDay())
                + (closing.by() == null ? "" : " by " + closing.by()) + " already.");
    }

    /** Every class of the school in the window's year, in every area. */
    List<ClassInArea> all(Window window, int school) {
        Stream<Integer> classes = roster.classes().stream().filter(c -> c.schoolId() == school && c.yearId() == window.yearId()).map(ClassRef::id);
        return parts(classes.toList(), measures.measures().stream().map(Measure::area).distinct().toList());
    }
}
