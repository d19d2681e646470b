package org.zealousladder.server.monitoring.plans;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.calendar.SchoolDays;
import org.zealousladder.core.plans.Dosage;

/**
 * A plan as known on a day.
 *
 * @param id of this version; a change names it, so that two people at once are found out
 * @param root of all versions
 * @param phases the oldest first, at least one
 * @param given sessions held
 * @param planned sessions asked for until the day or the plan's end
 * @param tooLittle whether too little was given to judge the plan by
 */
public record Plan(long id, long root, int studentId, int measureId, @Nullable Long groupId, @Nullable String groupName, String worry,
        @Nullable String success, LocalDate starts, LocalDate ends, @Nullable LocalDate closedOn, @Nullable PlanOutcome outcome,
        @Nullable String outcomeNote, @Nullable String by, List<PlanPhase> phases, int given, int planned, boolean tooLittle) {

    /** How it is carried out from a day on. */
    public record PlanPhase(LocalDate starts, String strategy, @Nullable String place, @Nullable String leader, @Nullable Integer minutes,
            int perWeek, @Nullable String reason) {}

    /** How it is carried out on a day: a change that was agreed on for later is not yet in force. */
    public PlanPhase phaseOn(LocalDate day) {
        return phases.stream().filter(f -> !f.starts().isAfter(day)).reduce((a, b) -> b).orElse(phases.get(0));
    }

    /** Whether it runs on {@code day}: begun and not closed. */
    public boolean open() {
        return closedOn == null;
    }

    /** What of it is kept in this version. */
    PlanVersion version() {
        return new PlanVersion(root, studentId, measureId, groupId, groupName, worry, success, starts, ends, closedOn, outcome, outcomeNote);
    }

    /** The plan with its phases and the sessions given, counted until {@code asOf} by the school's days. */
    Plan with(List<PlanPhase> all, int sessions, LocalDate asOf, SchoolDays days) {
        LocalDate until = closedOn != null ? closedOn : ends.isBefore(asOf) ? ends : asOf.plusDays(1);
        List<Dosage.Phase> asked = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            LocalDate to = i + 1 < all.size() && all.get(i + 1).starts().isBefore(until) ? all.get(i + 1).starts() : until;
            asked.add(new Dosage.Phase(all.get(i).starts(), to, all.get(i).perWeek()));
        }
        Dosage dosage = Dosage.of(asked, sessions, days);
        return new Plan(id, root, studentId, measureId, groupId, groupName, worry, success, starts, ends, closedOn, outcome, outcomeNote, by,
                List.copyOf(all), sessions, dosage.planned(), dosage.tooLittle());
    }
}
