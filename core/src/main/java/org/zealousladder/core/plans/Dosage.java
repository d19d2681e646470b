package org.zealousladder.core.plans;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;

/**
 * Sessions planned against sessions given. A plan that was not given cannot have failed.
 *
 * @param planned sessions that the phases ask for so far, a whole number: the weeks begun count by their days
 * @param given sessions that were held
 */
public record Dosage(int planned, int given) {
    /** Share of the planned sessions under which a plan counts as not given. */
    public static final double ENOUGH = 0.6;

    private static final int DAYS = 7;

    /** A phase: {@code perWeek} sessions from {@code starts} to the day before {@code ends}. */
    public record Phase(LocalDate starts, LocalDate ends, int perWeek) {}

    /** @param phases in any order; one that ends before it starts asks for nothing */
    public static Dosage of(List<Phase> phases, int given) {
        double planned = 0;
        for (Phase p : phases) {
            planned += p.perWeek() * Math.max(0, ChronoUnit.DAYS.between(p.starts(), p.ends())) / (double) DAYS;
        }
        return new Dosage((int) Math.floor(planned + 1e-9), given);
    }

    /** Whether too little was given to judge the plan by; not before two were planned. */
    public boolean tooLittle() {
        return planned >= 2 && given < ENOUGH * planned;
    }
}
