package org.zealousladder.server.monitoring.decisions;

import java.time.LocalDate;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.monitoring.goals.Goal;
import org.zealousladder.server.monitoring.goals.GoalsService;
import org.zealousladder.server.monitoring.plans.PlanChanges;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;

/** Takes the newest decision on a measure back, with what it did: a raised goal is what it was, the phase that began with it is gone. */
@Service
public class TakingBack {
    private final DecisionsStore store;
    private final GoalsService goals;
    private final PlanChanges plans;
    private final SchoolCalendar calendar;

    TakingBack(DecisionsStore store, GoalsService goals, PlanChanges plans, SchoolCalendar calendar) {
        this.store = store;
        this.goals = goals;
        this.plans = plans;
        this.calendar = calendar;
    }

    /**
     * @param reason why, in a few words
     * @throws Refusal 409 when it was taken back already, or another was decided since
     */
    @Transactional
    public void withdraw(long id, String reason) {
        LocalDate today = calendar.today();
        DecisionsStore.Place place = store.place(id)
                .orElseThrow(() -> Refusal.conflict("There is no such decision among your students', or it has been taken back already."));
        List<Decision> known = store.knownOn(List.of(place.studentId()), place.measureId(), today);
        Decision newest = known.get(known.size() - 1);
        if (newest.id() != id) {
            throw Refusal.conflict("Something else was decided since. Take that back first; nothing was changed.");
        }
        if (!store.withdraw(id, today, Viewer.current().id(), reason.strip())) {
            throw Refusal.conflict("Somebody else has taken this decision back meanwhile.");
        }
        if (newest.kind() == DecisionKind.RAISE) {
            lowerAgain(newest, reason.strip(), today);
        } else if (newest.kind() == DecisionKind.PLAN_CHANGED) {
            plans.withdrawPhase(newest.studentId(), newest.measureId(), newest.decidedOn());
        }
    }

    /** The goal before, unless somebody has set another one since. */
    private void lowerAgain(Decision raised, String reason, LocalDate today) {
        Goal now = goals.knownOn(List.of(raised.studentId()), raised.measureId(), today).stream().findFirst().orElse(null);
        if (now != null && store.goal(raised.id()).filter(set -> set != now.id()).isEmpty()) {
            goals.withdraw(now.id(), reason);
        }
    }
}
