package org.zealousladder.core.work;

import java.time.LocalDate;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.zealousladder.core.Coded;
import org.zealousladder.core.engagement.Engagement.Flag;
import org.zealousladder.core.engagement.EngagementRule;
import org.zealousladder.core.engagement.RuleSetting;
import org.zealousladder.core.summary.Quantiles;

/** Judges a student's course work by the rules about it, and holds a share against the class. */
public final class WorkRules {
    /** Of fewer pieces due, or marked, no share is told: one missing of one would be all of it. */
    public static final int FEWEST = 3;
    /** Of fewer students there is no lowest quarter. */
    private static final int LEAST_CLASS = 8;
    /** Points of a hundred below the class's median from which on a share is soft, or strong. */
    public static final double SOFT = 0.10;
    public static final double STRONG = 0.20;

    /** How far a share lies below the class's. */
    public enum Below implements Coded {
        NOT,
        SOFT,
        STRONG
    }

    private WorkRules() {}

    /**
     * Work that was due in the newest weeks and did not come: at least so many pieces, or, of {@value #FEWEST} or more that were due, at least such a share.
     *
     * @return empty where the rule does not speak; actual and threshold are pieces, or shares where only the share speaks
     */
    public static Optional<Flag> notIn(Collection<WorkResult> results, LocalDate asOf, RuleSetting rule) {
        LocalDate from = asOf.minusWeeks(rule.weeks());
        List<WorkResult> due = results.stream().filter(r -> r.dueBy(asOf) && r.due().isAfter(from) && !r.due().isAfter(asOf)).toList();
        List<WorkResult> out = due.stream().filter(r -> r.state() == WorkState.MISSING).sorted(Comparator.comparing(WorkResult::due)).toList();
        if (out.isEmpty()) {
            return Optional.empty();
        }
        LocalDate since = out.get(0).due();
        if (out.size() >= rule.threshold()) {
            return Optional.of(new Flag(EngagementRule.WORK_NOT_IN, out.size(), rule.threshold(), since));
        }
        double share = (double) out.size() / due.size();
        return due.size() >= FEWEST && share >= rule.share() - 1e-9 ? Optional.of(new Flag(EngagementRule.WORK_NOT_IN, share, rule.share(), since))
                : Optional.empty();
    }

    /** Whether enough is on record to say anything of work that is not in. */
    public static boolean tellsNotIn(Collection<WorkResult> results, LocalDate asOf, RuleSetting rule) {
        LocalDate from = asOf.minusWeeks(rule.weeks());
        return results.stream().anyMatch(r -> r.dueBy(asOf) && r.due().isAfter(from));
    }

    /**
     * The line under which marks are low: the one that was set, or the class's lowest quarter.
     *
     * @param shares those of the class of whom {@value #FEWEST} or more pieces were marked
     * @return empty where the class is too small to have a lowest quarter
     */
    public static OptionalDouble lowLine(double[] shares, RuleSetting rule) {
        return !rule.lowestQuarter() ? OptionalDouble.of(rule.threshold())
                : shares.length < LEAST_CLASS ? OptionalDouble.empty() : Quantiles.of(shares).at(0.25);
    }

    /**
     * Share earned of what was marked (with what is missing, where that counts as nothing earned) lies under a line; since the due day of the piece from which on it has.
     *
     * @param line as of {@link #lowLine}
     */
    public static Optional<Flag> lowMarks(Collection<WorkResult> results, double line, Counting counting) {
        List<WorkResult> marked = results.stream().filter(r -> r.points() != null || counting.missingIsZero() && r.state() == WorkState.MISSING)
                .sorted(Comparator.comparing(WorkResult::due)).toList();
        double points = 0;
        double possible = 0;
        LocalDate since = null;
        for (WorkResult r : marked) {
            points += r.points() == null ? 0 : r.points();
            possible += r.possible();
            if (points / possible >= line) {
                since = null;
            } else if (since == null) {
                since = r.due();
            }
        }
        return marked.size() < FEWEST || since == null ? Optional.empty() : Optional.of(new Flag(EngagementRule.LOW_MARKS, points / possible, line, since));
    }

    /** A share against the class's median, in points of a hundred. */
    public static Below below(double share, double median, double soft, double strong) {
        double gap = median - share;
        return gap >= strong - 1e-9 ? Below.STRONG : gap >= soft - 1e-9 ? Below.SOFT : Below.NOT;
    }
}
