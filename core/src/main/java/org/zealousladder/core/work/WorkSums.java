package org.zealousladder.core.work;

import java.time.LocalDate;
import java.util.Collection;
import java.util.OptionalDouble;

/**
 * The three sums of a student's work, side by side.
 *
 * @param soFar points earned so far
 * @param ofAll points of all the work there is, also of what is still to come, without what is excused: so far grows from zero towards it
 * @param earned points earned, of what was marked
 * @param ofMarked points that could be earned there; with what is missing where that counts as nothing earned
 * @param attempted points that could be earned by what was handed in, marked or not
 * @param ofDue points that could be earned by what was due
 * @param marked pieces that were marked; @param due pieces that were due; @param missing pieces that were due and did not come
 */
public record WorkSums(double soFar, double ofAll, double earned, double ofMarked, double attempted, double ofDue, int marked, int due, int missing) {

    /** Of one student. */
    public static WorkSums of(Collection<WorkResult> results, LocalDate asOf, Counting counting) {
        double soFar = 0;
        double ofAll = 0;
        double ofMarked = 0;
        double attempted = 0;
        double ofDue = 0;
        int marked = 0;
        int due = 0;
        int missing = 0;
        for (WorkResult r : results) {
            if (r.state() == WorkState.EXCUSED) {
                continue;
            }
            ofAll += r.possible();
            if (r.points() != null) {
                soFar += r.points();
                ofMarked += r.possible();
                marked++;
            }
            if (r.dueBy(asOf)) {
                ofDue += r.possible();
                due++;
                attempted += r.in() ? r.possible() : 0;
            }
            if (r.state() == WorkState.MISSING) {
                missing++;
                ofMarked += counting.missingIsZero() ? r.possible() : 0;
            }
        }
        return new WorkSums(soFar, ofAll, soFar, ofMarked, attempted, ofDue, marked, due, missing);
    }

    /** Share earned of what was marked; empty where nothing was. */
    public OptionalDouble shareEarned() {
        return ofMarked > 0 ? OptionalDouble.of(earned / ofMarked) : OptionalDouble.empty();
    }

    /** Share of what was due that was handed in, by points; empty where nothing was due. */
    public OptionalDouble shareAttempted() {
        return ofDue > 0 ? OptionalDouble.of(attempted / ofDue) : OptionalDouble.empty();
    }
}
