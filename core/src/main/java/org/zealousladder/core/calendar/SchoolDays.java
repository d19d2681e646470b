package org.zealousladder.core.calendar;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.BitSet;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/**
 * The days on which a school is open: the days of its week, without holidays and closures, and where it has terms, within them. Before its first term and after its
 * last one nothing is known but the week.
 */
public final class SchoolDays {
    private static final LocalDate FIRST = LocalDate.of(2000, 1, 1);
    private static final LocalDate LAST = LocalDate.of(2099, 12, 31);

    /** A school of which nothing is known. */
    public static final SchoolDays MONDAY_TO_FRIDAY = new SchoolDays(EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY), List.of(), List.of());

    /** @param ends the last day, itself part of it; a span that ends before it starts holds no day */
    public record Span(LocalDate starts, LocalDate ends) {}

    private final int aWeek;
    /** School days before each day, counted from {@link #FIRST}. */
    private final int[] before;

    /**
     * A calendar.
     *
     * @param week the days of the week on which there is school, at least one
     * @param off holidays and closures; they may overlap
     * @param terms none where the school does not tell
     * @throws IllegalArgumentException for a week without days
     */
    public SchoolDays(Set<DayOfWeek> week, List<Span> off, List<Span> terms) {
        if (week.isEmpty()) {
            throw new IllegalArgumentException("A school week has at least one day.");
        }
        aWeek = week.size();
        int n = (int) (LAST.toEpochDay() - FIRST.toEpochDay()) + 1;
        BitSet open = new BitSet(n);
        int day = FIRST.getDayOfWeek().ordinal();
        for (int i = 0; i < n; i++, day = (day + 1) % 7) {
            open.set(i, week.contains(DayOfWeek.of(day + 1)));
        }
        if (!terms.isEmpty()) {
            BitSet outside = new BitSet(n);
            outside.set(place(terms.stream().map(Span::starts).min(LocalDate::compareTo).orElseThrow()),
                    place(terms.stream().map(Span::ends).max(LocalDate::compareTo).orElseThrow().plusDays(1)));
            terms.forEach(t -> outside.clear(place(t.starts()), Math.max(place(t.starts()), place(t.ends().plusDays(1)))));
            open.andNot(outside);
        }
        off.forEach(s -> open.clear(place(s.starts()), Math.max(place(s.starts()), place(s.ends().plusDays(1)))));
        before = new int[n + 1];
        for (int i = 0; i < n; i++) {
            before[i + 1] = before[i] + (open.get(i) ? 1 : 0);
        }
    }

    private static int place(LocalDate day) {
        return day.isBefore(FIRST) ? 0 : day.isAfter(LAST) ? (int) (LAST.toEpochDay() - FIRST.toEpochDay()) + 1 : (int) (day.toEpochDay() - FIRST.toEpochDay());
    }

    /** Days of school in a week without holidays. */
    public int aWeek() {
        return aWeek;
    }

    public boolean open(LocalDate day) {
        return count(day, day.plusDays(1)) == 1;
    }

    /** School days from {@code from} to the day before {@code to}; none where that is earlier. */
    public int count(LocalDate from, LocalDate to) {
        return Math.max(0, before[place(to)] - before[place(from)]);
    }

    /** As {@link #count}, in weeks of {@link #aWeek} days. */
    public double weeks(LocalDate from, LocalDate to) {
        return count(from, to) / (double) aWeek;
    }

    /** School days that have passed since {@code day}, with {@code today}: 1 where the next school day is today. */
    public int since(LocalDate day, LocalDate today) {
        return count(day.plusDays(1), today.plusDays(1));
    }
}
