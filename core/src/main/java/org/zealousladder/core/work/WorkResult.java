package org.zealousladder.core.work;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What became of a piece of work.
 *
 * @param late whether it came after the due day
 * @param points of {@code possible}, by the attempt that counts; null where none does
 * @param possible points of the piece
 */
public record WorkResult(WorkState state, boolean late, @Nullable Double points, double possible, LocalDate due) {

    /**
     * @param told what somebody said of it: in progress, missing or excused; null for nothing
     * @param attempts in any order; points of an attempt with other possible points are brought to those of the piece
     * @param asOf the due day itself is still in time
     */
    public static WorkResult of(@Nullable WorkState told, List<Attempt> attempts, LocalDate due, double possible, LocalDate asOf, Counting counting) {
        if (told == WorkState.EXCUSED) {
            return new WorkResult(WorkState.EXCUSED, false, null, possible, due);
        }
        List<Attempt> all = attempts.stream().sorted(Comparator.comparing(Attempt::on)).toList();
        List<Attempt> counted = counting.late() ? all : all.stream().filter(a -> !a.on().isAfter(due)).toList();
        boolean late = !all.isEmpty() && all.get(0).on().isAfter(due);
        List<Attempt> marked = counted.stream().filter(a -> a.points() != null).toList();
        if (!marked.isEmpty()) {
            return new WorkResult(WorkState.MARKED, late, possible * share(marked, counting.attempt()), possible, due);
        }
        if (!counted.isEmpty()) {
            return new WorkResult(WorkState.HANDED_IN, late, null, possible, due);
        }
        if (!all.isEmpty() || told == WorkState.MISSING || due.isBefore(asOf) && told != WorkState.IN_PROGRESS) {
            return new WorkResult(WorkState.MISSING, late, null, possible, due);
        }
        return new WorkResult(told == WorkState.IN_PROGRESS ? WorkState.IN_PROGRESS : WorkState.TO_COME, false, null, possible, due);
    }

    private static double share(List<Attempt> marked, WhichAttempt which) {
        return switch (which) {
            case LATEST -> marked.get(marked.size() - 1).share();
            case FIRST -> marked.get(0).share();
            case BEST -> marked.stream().mapToDouble(Attempt::share).max().orElseThrow();
            case MEAN -> marked.stream().mapToDouble(Attempt::share).average().orElseThrow();
        };
    }

    /** What became of it, in words: {@code 7 of 10, late}, or its state. */
    public String words() {
        String what = points == null ? state.code().replace('-', ' ') : plain(points) + " of " + plain(possible);
        return what + (late ? ", late" : "");
    }

    private static String plain(double v) {
        return BigDecimal.valueOf(v).stripTrailingZeros().toPlainString();
    }

    /** Whether it was handed in. */
    public boolean in() {
        return state == WorkState.MARKED || state == WorkState.HANDED_IN;
    }

    /** Whether it was due by a day, and is not excused. */
    public boolean dueBy(LocalDate asOf) {
        return state != WorkState.EXCUSED && (due.isBefore(asOf) || in() || state == WorkState.MISSING);
    }
}
