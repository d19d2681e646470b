package org.zealousladder.server.overview.students;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What else happened, on the time axis that all lanes share.
 *
 * @param away school days away, of all years; null where nothing is on record of the class this year
 * @param skills null without any answer
 */
public record Strips(List<YearBand> years, List<PlanSpan> plans, @Nullable List<LocalDate> away, List<LocalDate> late, List<WeekSpent> weeks,
        @Nullable SkillsNow skills, List<TierThen> tiers, List<AnswersThen> answered, List<WorkThen> work) {

    /** A school year of the axis, in which class and grade. */
    public record YearBand(String name, LocalDate starts, LocalDate ends, @Nullable String className, @Nullable Integer grade) {}

    /** A phase of a plan. @param running whether it is the one in force */
    public record PlanSpan(String strategy, int perWeek, String measure, LocalDate from, LocalDate to, boolean running) {}

    /** @param minutes of the week that began then */
    public record WeekSpent(LocalDate monday, int minutes) {}

    /** How many skills are in which state. */
    public record SkillsNow(int secure, int shaky, int notYet) {}

    /** Answers on skills of a day. @param share of the points */
    public record AnswersThen(LocalDate day, int answers, double share) {}

    /** A piece of work. @param in whether it was handed in; null where that is not due yet, or it is excused */
    public record WorkThen(LocalDate due, @Nullable Boolean in) {}

    /** A tier that was decided for a window. */
    public record TierThen(String area, int tier, LocalDate from, LocalDate to, String window) {}
}
