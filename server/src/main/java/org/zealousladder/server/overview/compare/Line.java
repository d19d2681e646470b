package org.zealousladder.server.overview.compare;

import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Interval;
import org.zealousladder.core.comparing.Comparison;
import org.zealousladder.core.comparing.FigureKind;
import org.zealousladder.core.comparing.Tally;
import org.zealousladder.server.overview.compare.CompareView.CompareGroup;
import org.zealousladder.server.overview.compare.CompareView.CompareRow;

/**
 * A figure that is compared, with what each student brings to it.
 *
 * @param about measure or skill, by its number; null for one that is of neither
 * @param sem of a student's value; null where none is stated
 * @param better 1 where more is better, -1 where less is, 0 where neither is
 * @param words of a student's value, where it has a name
 */
record Line(String key, CompareGroup group, String what, FigureKind kind, String unit, int decimals, @Nullable Integer about, @Nullable Double sem, int better,
        Map<Integer, Tally> first, Map<Integer, Tally> second, Map<Integer, String> firstWords, Map<Integer, String> secondWords) {

    static Line of(String key, CompareGroup group, String what, FigureKind kind) {
        return new Line(key, group, what, kind, kind == FigureKind.MEAN ? "" : "%", 0, null, null, 1, new HashMap<>(), new HashMap<>(), new HashMap<>(),
                new HashMap<>());
    }

    Line in(String newUnit, int newDecimals) {
        return new Line(key, group, what, kind, newUnit, newDecimals, about, sem, better, first, second, firstWords, secondWords);
    }

    Line about(int id) {
        return new Line(key, group, what, kind, unit, decimals, id, sem, better, first, second, firstWords, secondWords);
    }

    Line sem(@Nullable Double stated) {
        return new Line(key, group, what, kind, unit, decimals, about, stated, better, first, second, firstWords, secondWords);
    }

    Line better(int sign) {
        return new Line(key, group, what, kind, unit, decimals, about, sem, sign, first, second, firstWords, secondWords);
    }

    Map<Integer, Tally> side(boolean two) {
        return two ? second : first;
    }

    Map<Integer, String> words(boolean two) {
        return two ? secondWords : firstWords;
    }

    boolean empty() {
        return first.isEmpty() && second.isEmpty();
    }

    CompareRow row(boolean same) {
        Comparison c = Comparison.of(kind, first, second, same, sem);
        Interval d = c.difference().orElse(null);
        Boolean ahead = d == null || !c.settles() || better == 0 ? null : (Boolean) (d.value() * better > 0);
        return new CompareRow(key, group, what, kind, unit, decimals, c.first(), c.firstN(), only(firstWords), c.second(), c.secondN(), only(secondWords),
                d == null ? null : d.value(), d == null ? null : d.low(), d == null ? null : d.high(), c.settles(), ahead);
    }

    private @Nullable String only(Map<Integer, String> words) {
        return words.size() == 1 ? words.values().iterator().next() : null;
    }
}
