package org.zealousladder.server.monitoring.trends;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.goals.GoalKind;
import org.zealousladder.server.monitoring.goals.Goal;
import org.zealousladder.server.monitoring.trends.GoalOptions.StartPoint;
import org.zealousladder.server.school.roster.StudentRef;

/**
 * One kind of goal tried on several students.
 *
 * @param benchmarks bands that can be aimed at in windows still to come
 * @param norms names of the tables of growth that are used; empty where there are none
 */
public record JointGoals(List<JointRow> rows, List<JointBenchmark> benchmarks, List<String> norms, LocalDate yearEnds) {

    /**
     * What it comes to for one of them.
     *
     * @param standing the goal there is
     * @param from where the line would start; null without a score
     * @param advice null while nothing is chosen
     */
    public record JointRow(StudentRef student, @Nullable Goal standing, @Nullable StartPoint from, @Nullable GoalAdvice advice) {}

    /** A band in a window: its cut score is each grade's own. */
    public record JointBenchmark(int windowId, @NotNull String window, @NotNull LocalDate date, @NotNull String band, int tier) {}

    /**
     * What the students' goals should have in common; what the kind does not need is ignored.
     *
     * @param start from the median of the first three scores of the year, or from the latest score
     */
    public record JointDraft(@NotNull(message = "say what kind of goal") GoalKind kind,
            @Pattern(regexp = "median|latest") @NotNull String start,
            @Nullable LocalDate goalDate, @Nullable @Min(1) @Max(99) Integer percentile, @Nullable @DecimalMin("0.1") @DecimalMax("5") Double factor,
            @Nullable Double goalScore, @Nullable @Valid JointBenchmark benchmark) {}
}
