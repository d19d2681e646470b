package org.zealousladder.server.overview.reports;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.skills.SkillState;
import org.zealousladder.server.learning.answers.AnswersService;
import org.zealousladder.server.learning.frameworks.Skill;
import org.zealousladder.server.overview.periods.Period;
import org.zealousladder.server.overview.periods.PeriodsService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Whose;

/** Puts the tables of a report together. */
@Service
@Transactional(readOnly = true)
class ReportsService {
    private final RosterService roster;
    private final PeriodsService periods;
    private final AnswersService answers;

    ReportsService(RosterService roster, PeriodsService periods, AnswersService answers) {
        this.roster = roster;
        this.periods = periods;
        this.answers = answers;
    }

    /** @throws Refusal for days the wrong way round, and for students who are not the viewer's */
    ReportsView view(Whose whose, LocalDate from, LocalDate to, LocalDate asOf) {
        PeriodsService.require(from, to);
        RosterService.Members members = roster.members(whose, asOf);
        Period period = periods.of(members.students(), from, to, asOf);
        return new ReportsView(members.title(), members.one(), period.from(), period.to(), asOf, members.students().size(),
                new Tables(period, states(period)).all());
    }

    private Map<Integer, Map<Integer, SkillState>> states(Period period) {
        List<Integer> frameworks = period.skills().stream().map(Skill::frameworkId).distinct().toList();
        if (period.answers().isEmpty()) {
            return Map.of();
        }
        AnswersService.Evidence evidence = answers.evidence(period.students(), frameworks, period.to());
        return period.students().stream().distinct().collect(Collectors.toMap(Enrolled::id, e -> evidence.of(e, period.to()).entrySet().stream()
                .collect(Collectors.toMap(Map.Entry::getKey, s -> s.getValue().state())), (a, b) -> a));
    }
}
