package org.zealousladder.server.screening.standings;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Who;

/** Opens one screening window for a class, grade or school. */
@Service
@Transactional(readOnly = true)
public class ScreeningService {
    private final RosterService roster;
    private final MeasuresService measures;
    private final WindowsService allWindows;
    private final StandingsService standings;

    ScreeningService(RosterService roster, MeasuresService measures, WindowsService allWindows, StandingsService standings) {
        this.roster = roster;
        this.measures = measures;
        this.allWindows = allWindows;
        this.standings = standings;
    }

    /** The window asked for, or the newest of the year that had begun, or the year's first. */
    public Window window(@Nullable Integer asked, int yearId, LocalDate asOf) {
        if (asked != null) {
            return allWindows.window(asked, asOf);
        }
        List<Window> ofYear = allWindows.windows(asOf).stream().filter(w -> w.yearId() == yearId).toList();
        return ofYear.stream().filter(w -> !w.starts().isAfter(asOf)).reduce((a, b) -> b).or(() -> ofYear.stream().findFirst())
                .orElseThrow(() -> Refusal.notFound("This school year has no screening windows yet. They are set under Setup, Windows."));
    }

    public Screening open(Who who, int yearId, @Nullable Integer windowId, LocalDate asked) {
        LocalDate asOf = roster.year(yearId).clamp(asked);
        Window window = window(windowId, yearId, asOf);
        int school = roster.school(who);
        LocalDate first = window.starts().isAfter(asOf) ? asOf : window.starts();
        LocalDate last = window.ends().isAfter(asOf) ? asOf : window.ends();
        List<Enrolled> all = roster.enrolledDuring(who, yearId, first, asOf.isBefore(last) ? last : asOf, last, asOf);
        List<Enrolled> expected = all.stream().filter(e -> !e.enrolledFrom().isAfter(last) && (e.enrolledTo() == null || !e.enrolledTo().isBefore(last)))
                .toList();
        List<Enrolled> left = all.stream().filter(e -> e.enrolledTo() != null && e.enrolledTo().isBefore(last)).toList();
        List<Enrolled> later = all.stream().filter(e -> e.enrolledFrom().isAfter(last)).toList();
        List<Window> two = new ArrayList<>();
        Optional<Window> before = allWindows.of(school, asOf).stream().filter(w -> w.starts().isBefore(window.starts()))
                .max(Comparator.comparing(Window::starts));
        before.ifPresent(two::add);
        two.add(window);
        List<Measure> known = measures.measures(asOf);
        Standings standing = standings.of(all, known, two, asOf);
        Set<Integer> grades = all.stream().map(Enrolled::grade).collect(Collectors.toSet());
        // What has ended is owed by nobody; where it was given it is shown.
        List<Measure> given = known.stream().filter(Measure::whole)
                .filter(m -> m.givenOn(window.starts()) && standing.ladders().grades(m.id(), window.id()).stream().anyMatch(grades::contains)
                        || all.stream().anyMatch(s -> standing.of(s.id(), m.id()).get(two.size() - 1).scored()))
                .toList();
        return new Screening(window, before, asOf, school, expected, left, later, given,
                known.stream().filter(m -> given.stream().anyMatch(w -> w.id() == m.id() || Objects.equals(m.partOf(), w.id()) && m.givenOn(window.starts())))
                        .toList(),
                standing);
    }
}
