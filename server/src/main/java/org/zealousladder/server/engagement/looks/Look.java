package org.zealousladder.server.engagement.looks;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.engagement.EngagementRule;
import org.zealousladder.server.school.roster.Enrolled;

/**
 * A student's weeks and what the rules say of them.
 *
 * @param minutes of each week since the first of {@link Looks}
 * @param flags that speak, the most telling first
 * @param quieted that speak and are set aside
 * @param joined one sentence where time and scores both speak; null where they do not
 * @param cannotTell rules for which too little is on record
 * @param lately time in the newest weeks, as a share of the class's; null where it cannot be told
 * @param missing pieces of work of this year that were due and did not come; null without any work
 * @param onRecord whether anything is, this year
 */
public record Look(Enrolled student, double[] minutes, int[] actions, List<Said> flags, List<Said> quieted, @Nullable Joined joined,
        List<EngagementRule> cannotTell,
        @Nullable Aside aside, @Nullable Aside watch, @Nullable Double lately, @Nullable Integer missing, boolean onRecord) {

    /**
     * Time and scores together.
     *
     * @param title what is seen
     * @param next what to do first
     */
    public record Joined(String title, String next) {}

    public boolean needed() {
        return !flags.isEmpty() || watch != null || joined != null;
    }
}
