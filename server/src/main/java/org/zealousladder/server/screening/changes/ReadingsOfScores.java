package org.zealousladder.server.screening.changes;

import static java.util.Objects.requireNonNull;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.screening.changes.Changing.Reach;
import org.zealousladder.server.screening.standings.Cell;
import org.zealousladder.server.screening.standings.Screening;
import org.zealousladder.server.screening.standings.ScreeningService;
import org.zealousladder.server.screening.tiers.TiersService;

/** How every student of some schools stands in some windows: to be held against the same after a change. */
@Component
class ReadingsOfScores {
    private final ScreeningService screenings;
    private final TiersService tiers;
    private final SchoolCalendar calendar;
    private final RosterService roster;

    ReadingsOfScores(ScreeningService screenings, TiersService tiers, SchoolCalendar calendar, RosterService roster) {
        this.roster = roster;
        this.screenings = screenings;
        this.tiers = tiers;
        this.calendar = calendar;
    }

    /** @param area where the place is a proposed tier; null where it is the band of a score */
    record Place(int studentId, int windowId, @Nullable Integer measureId, @Nullable String area) {}

    /**
     * @param about measure or area, and window, in words
     * @param text how the student stands there
     * @param tier null where there is none
     */
    record Reading(String about, String text, @Nullable Integer tier) {}

    record Readings(Map<Integer, StudentRef> students, Map<Place, Reading> places) {}

    Readings of(Reach reach) {
        Map<Integer, StudentRef> students = new HashMap<>();
        Map<Place, Reading> places = new LinkedHashMap<>();
        for (int school : reach.schools()) {
            Set<Integer> years = roster.years(school).stream().map(SchoolYear::id).collect(Collectors.toSet());
            for (Window w : reach.windows().stream().filter(w -> years.contains(w.yearId())).toList()) {
                add(screenings.open(new Who(Who.Kind.SCHOOL, school, null), w.yearId(), w.id(), calendar.today()), students, places);
            }
        }
        return new Readings(students, places);
    }

    private void add(Screening screening, Map<Integer, StudentRef> students, Map<Place, Reading> places) {
        Window w = screening.window();
        screening.everyone().forEach((Enrolled e) -> students.put(e.id(), e.ref()));
        for (Measure m : screening.measures()) {
            screening.everyone().forEach(e -> {
                Cell cell = screening.cell(e.id(), m.id());
                if (cell.scored()) {
                    places.put(new Place(e.id(), w.id(), m.id(), null), new Reading(m.name() + ", " + w.name(), text(cell), cell.tier()));
                }
            });
        }
        tiers.proposed(screening).forEach((area, proposed) -> proposed.forEach((student, tier) -> places
                .put(new Place(student, w.id(), null, area), new Reading(area + " tier, " + w.name(), "tier " + tier, tier))));
    }

    private static String text(Cell cell) {
        return Words.plain(requireNonNull(cell.value())) + (cell.bandName() == null ? ", no band" : ", " + cell.bandName())
                + (cell.closeCall() ? ", a close call" : "");
    }
}
