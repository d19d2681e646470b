package org.zealousladder.server.monitoring.plans;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * What of a plan is kept in one version: everything but its phases and sessions, which hang on the root.
 *
 * @param root of all versions
 * @param groupId the same for all plans that were made together; null for a plan of one
 * @param closedOn null while it runs
 */
record PlanVersion(long root, int studentId, int measureId, @Nullable Long groupId, @Nullable String groupName, String worry, @Nullable String success,
        LocalDate starts, LocalDate ends, @Nullable LocalDate closedOn, @Nullable PlanOutcome outcome, @Nullable String outcomeNote) {

    /** A first one, of a plan that begins. */
    static PlanVersion begun(long root, int studentId, @Nullable Long groupId, PlanForm form, @Nullable String groupName, @Nullable String success) {
        return new PlanVersion(root, studentId, form.measureId(), groupId, groupName, form.worry().strip(), success, form.starts(), form.ends(), null, null,
                null);
    }

    PlanVersion closed(LocalDate on, PlanOutcome how, @Nullable String note) {
        return new PlanVersion(root, studentId, measureId, groupId, groupName, worry, success, starts, ends, on, how, note);
    }

    PlanVersion reopened(LocalDate until) {
        return new PlanVersion(root, studentId, measureId, groupId, groupName, worry, success, starts, until, null, null, null);
    }

    PlanVersion amended(String newWorry, @Nullable String newSuccess, LocalDate until) {
        return new PlanVersion(root, studentId, measureId, groupId, groupName, newWorry, newSuccess, starts, until, null, null, null);
    }
}
