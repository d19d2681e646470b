package org.zealousladder.server.monitoring.plans;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.measures.measures.MeasureRef;
import org.zealousladder.server.monitoring.goals.Goal;
import org.zealousladder.server.school.roster.StudentRef;

/**
 * Who is worried about in a measure's area, and what is done about it.
 *
 * @param week Monday of the week whose sessions are shown
 * @param rows students with a concern, a plan or a goal
 * @param others the rest of those in scope
 * @param elsewhere concerns in areas that no measure is about
 * @param suggested others whose newest tier suggests a concern
 */
public record PlansView(MeasureRef measure, String area, int schoolId, LocalDate week, List<PlanRow> rows, List<StudentRef> others, List<Suggestion> suggested,
        List<Strategy> strategies, boolean mayChangeStrategies, String summary, List<OwnConcern> elsewhere) {

    /**
     * One student.
     *
     * @param suggested level that the newest tier suggests, when it is another than the one set
     * @param plan the plan that runs; {@code past} are those that ended
     * @param sessions given in the week, by day
     */
    public record PlanRow(StudentRef student, @Nullable Concern concern, @Nullable Suggestion suggested, @Nullable Plan plan, List<Plan> past,
            @Nullable Goal goal, Map<LocalDate, Integer> sessions) {}

    /** A concern in an area of the school's own. */
    public record OwnConcern(StudentRef student, Concern concern) {}

    /** A level of concern that a tier suggests, with the tier it comes from. */
    public record Suggestion(StudentRef student, int level, String because) {}
}
