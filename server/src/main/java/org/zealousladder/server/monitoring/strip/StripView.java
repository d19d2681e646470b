package org.zealousladder.server.monitoring.strip;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.scores.ScoreStatus;
import org.zealousladder.server.measures.measures.MeasureRef;
import org.zealousladder.server.school.roster.StudentRef;

/**
 * The strip for a day.
 *
 * @param week the Monday of the week whose scores are shown; absent when they are those of the day alone
 * @param median the class's median that somebody gave for the day
 * @param monitored how many of the rows are monitored on the measure
 * @param formNames what forms or passages of the measure were called here in the last year, the newest first
 */
public record StripView(MeasureRef measure, LocalDate day, @Nullable LocalDate week, List<StripRow> rows, @Nullable Double median, boolean takesMedian,
        int monitored, List<String> formNames) {

    /**
     * One student.
     *
     * @param monitored whether there is a goal, a plan or a concern in the measure's area
     * @param line where the goal line is on the day
     */
    public record StripRow(StudentRef student, boolean monitored, StripEntry entry, @Nullable Double line) {}

    /**
     * What is on record for a student on a day, and the score before it.
     *
     * @param day the day it is from, or would be entered for
     * @param forms what was scored on two or three forms; the value is their median
     * @param form the name of the form or passage it was taken on
     * @param likelyLow below it the page asks whether the score is right; absent where nothing is known to go by
     */
    public record StripEntry(LocalDate day, @Nullable Long scoreId, @Nullable Double value, @Nullable ScoreStatus status, @Nullable List<Double> forms,
            @Nullable String form,
            @Nullable LocalDate lastDay, @Nullable Double last, @Nullable Double likelyLow, @Nullable Double likelyHigh) {}
}
