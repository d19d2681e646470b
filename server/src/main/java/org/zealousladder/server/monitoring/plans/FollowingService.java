package org.zealousladder.server.monitoring.plans;

import java.time.LocalDate;
import java.util.Collection;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.monitoring.goals.GoalsService;
import org.zealousladder.server.school.roster.SchoolYear;

/** The one place that says who is followed. */
@Service
@Transactional(readOnly = true)
public class FollowingService {
    private final ConcernsService concerns;
    private final PlansService plans;
    private final GoalsService goals;

    FollowingService(ConcernsService concerns, PlansService plans, GoalsService goals) {
        this.concerns = concerns;
        this.plans = plans;
        this.goals = goals;
    }

    /** Who of {@code students} is followed on {@code measure} in a year, as known on a day: three reads whatever their number. */
    public Following on(Collection<Integer> students, Measure measure, SchoolYear year, LocalDate asOf) {
        return new Following(concerns.knownOn(students, measure.area(), asOf), plans.knownOn(students, measure.id(), asOf),
                goals.running(students, measure.id(), year.starts(), asOf));
    }
}
