package org.zealousladder.core.plans;

import java.time.LocalDate;
import java.util.List;
import org.zealousladder.core.calendar.SchoolDays;

/**
 * Sessions planned against sessions given. A plan that was not given cannot have failed.
 *
 * @param planned sessions that the phases ask for so far, a whole number: weeks count by their school days, so that a closed one asks for nothing
 * @param given sessions that were held
 */
public record Dosage(int planned, int given) {
    /** Share of the planned sessions under which a plan counts as not given. */
    public static final double ENOUGH = 0.6;

    /** A phase: {@code perWeek} sessions from {@code starts} to the day before {@code ends}. */
    public record Phase(LocalDate starts, LocalDate ends, int perWeek) {}

    /**
     * Counts what was planned.
     *
     * @param phases in any order; one that ends before it starts asks for nothing
     * @param days those of the student's school
     */
    public static Dosage of(List<Phase> phases, int given, SchoolDays days) {
        double planned = 0;
        for (Phase p : phases) {
            planned += p.perWeek() * days.weeks(p.starts(), p.ends());
        }
        return new Dosage((int) Math.floor(planned + 1e-9), given);
    }

    /** Whether too little was given to judge the plan by; not before two were planned. */
    public boolean tooLittle() {
        return planned >= 2 && given < ENOUGH * planned;
    }
}
