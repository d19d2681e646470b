package org.zealousladder.server.engagement.looks;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.monitoring.trends.CardsService;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.screening.standings.StandingsService;

/** Looks whose scores fall. */
@Service
@Transactional(readOnly = true)
public class FallsService {
    private final RosterService roster;
    private final MeasuresService measures;
    private final WindowsService windows;
    private final CardsService trends;
    private final StandingsService standings;

    FallsService(RosterService roster, MeasuresService measures, WindowsService windows, CardsService trends, StandingsService standings) {
        this.roster = roster;
        this.measures = measures;
        this.windows = windows;
        this.trends = trends;
        this.standings = standings;
    }

    public Falls of(List<Enrolled> students, Who who, SchoolYear year, LocalDate asOf) {
        Map<Integer, Measure> byId = measures.byId(asOf);
        return Falls.of(trends.progress(students, byId, trends.ground(students, asOf), year, asOf), students, byId.values(),
                standings.of(students, byId.values(), windows.seasons(roster.school(who), asOf, 2), asOf));
    }
}
