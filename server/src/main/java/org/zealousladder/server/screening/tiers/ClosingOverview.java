package org.zealousladder.server.screening.tiers;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.school.roster.SetupRights;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.screening.standings.Screening;
import org.zealousladder.server.screening.standings.ScreeningService;
import org.zealousladder.server.screening.tiers.TiersView.TierRow;
import org.zealousladder.server.screening.tiers.WindowState.ClassInArea;

/** What is still undecided in a window, class by class and area by area, before it is closed. */
@Service
@Transactional(readOnly = true)
public class ClosingOverview {
    private final TiersService tiers;
    private final ClosingService closing;
    private final ScreeningService screenings;
    private final WindowsService allWindows;
    private final SetupRights rights;
    private final SchoolCalendar calendar;

    ClosingOverview(TiersService tiers, ClosingService closing, ScreeningService screenings, WindowsService allWindows, SetupRights rights,
            SchoolCalendar calendar) {
        this.tiers = tiers;
        this.closing = closing;
        this.screenings = screenings;
        this.allWindows = allWindows;
        this.rights = rights;
        this.calendar = calendar;
    }

    /** @param areas in which something was given in the window, or something was closed */
    public record ClosingView(Window window, int school, List<String> areas, List<ClosingPart> parts) {}

    /**
     * One class in one area.
     *
     * @param undecided students with a score whose tier nobody has decided
     * @param untested students without a score about whom nothing was decided
     * @param retests students who are to be tested again
     */
    public record ClosingPart(int classId, String className, String area, int students, List<StudentRef> undecided, List<StudentRef> untested,
            List<StudentRef> retests, boolean closed) {}

    public ClosingView view(int school, int windowId) {
        rights.require(school, "Screening windows");
        Window window = allWindows.window(windowId);
        Who who = new Who(Who.Kind.SCHOOL, school, null);
        Screening screening = screenings.open(who, window.yearId(), windowId, calendar.today());
        WindowState state = closing.state(windowId, school, calendar.today(), closing.all(window, school));
        List<ClosingPart> parts = new ArrayList<>();
        List<String> areas = screening.measures().stream().map(m -> m.area()).distinct().toList();
        for (String area : areas) {
            Map<Integer, List<TierRow>> byClass = new LinkedHashMap<>();
            tiers.view(screening, area).rows().stream()
                    .sorted(java.util.Comparator.comparing(TierRow::student,
                            java.util.Comparator.comparing(StudentRef::className).thenComparing(StudentRef.BY_NAME)))
                    .forEach(r -> byClass.computeIfAbsent(r.student().classId(), k -> new ArrayList<>()).add(r));
            byClass.forEach((id, rows) -> parts.add(part(new ClassInArea(id, area), rows, state)));
        }
        return new ClosingView(window, school, areas, parts);
    }

    private static ClosingPart part(ClassInArea part, List<TierRow> rows, WindowState state) {
        List<TierRow> open = rows.stream().filter(TiersService::open).toList();
        return new ClosingPart(part.classId(), rows.get(0).student().className(), part.area(), rows.size(),
                open.stream().filter(r -> r.proposal() != null).map(TierRow::student).toList(),
                open.stream().filter(r -> r.proposal() == null).map(TierRow::student).toList(),
                rows.stream().filter(r -> r.decided() != null && !r.decided().settled() && !r.decided().retested()).map(TierRow::student).toList(),
                state.closed(part.classId(), part.area()));
    }
}
