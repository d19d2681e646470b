package org.zealousladder.server.overview.compare;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.comparing.FigureKind;
import org.zealousladder.server.school.roster.StudentRef;

/**
 * Two sides.
 *
 * @param same whether the same students stand on both
 * @param rows on which anything is on record on either side
 */
public record CompareView(CompareSide first, CompareSide second, boolean same, List<CompareRow> rows) {

    /** What a row is about. */
    public enum CompareGroup {
        SCORES,
        BANDS,
        SKILLS,
        WORK,
        ENGAGEMENT
    }

    /** @param of as it was asked for @param to the last day that counts, no later than the day looked at */
    public record CompareSide(String of, String title, LocalDate from, LocalDate to, int students, @Nullable StudentRef student) {}

    /**
     * A figure on both sides.
     *
     * @param key by which it is opened
     * @param unit of the values; {@code %} for shares, which come between 0 and 1
     * @param first null where nothing is on record there; @param firstN students, or answers or pieces
     * @param words in place of the figures, where a single student stands on a side: the band
     * @param difference second minus first, with its 95 % interval; null where there is none
     * @param settles whether the counts settle that there is a difference
     * @param better whether the second side is the better one; null where it is not settled, or neither is better
     */
    public record CompareRow(String key, CompareGroup group, String what, FigureKind kind, String unit, int decimals, @Nullable Double first, int firstN,
            @Nullable String firstWords, @Nullable Double second, int secondN, @Nullable String secondWords, @Nullable Double difference, @Nullable Double low,
            @Nullable Double high, boolean settles, @Nullable Boolean better) {}

    /** A student behind a row. @param n how many answers or pieces the value is of; 1 for a value of their own */
    public record BehindStudent(StudentRef student, @Nullable Double first, int firstN, @Nullable Double second, int secondN) {}

    /** What was on record on a day. @param second on which side */
    public record BehindMark(StudentRef student, boolean second, LocalDate day, String what, String value) {}

    /** @param marks the newest 200 of them, of all {@code total} */
    public record CompareBehind(CompareRow row, List<BehindStudent> students, List<BehindMark> marks, int total) {}
}
