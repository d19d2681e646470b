package org.zealousladder.server.overview.reports;

import java.time.LocalDate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.overview.periods.Period;
import org.zealousladder.server.overview.periods.PeriodsService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Whose;
import org.zealousladder.server.school.sight.SightService;

/** Puts the tables of a report together. */
@Service
@Transactional(readOnly = true)
class ReportsService {
    private final RosterService roster;
    private final PeriodsService periods;
    private final SightService sight;

    ReportsService(RosterService roster, PeriodsService periods, SightService sight) {
        this.sight = sight;
        this.roster = roster;
        this.periods = periods;
    }

    /** @throws Refusal for days the wrong way round, and for students who are not the viewer's */
    ReportsView view(Whose whose, LocalDate from, LocalDate to, LocalDate asOf) {
        PeriodsService.require(from, to);
        RosterService.Members members = roster.members(whose, asOf);
        Period period = periods.of(members.students(), from, to, asOf);
        return new ReportsView(members.title(), members.one(), period.from(), period.to(), asOf, members.students().size(),
                new Tables(period, periods.states(period), sight.unseen()).all());
    }
}
