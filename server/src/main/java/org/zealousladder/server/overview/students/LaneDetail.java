package org.zealousladder.server.overview.students;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.learning.reading.ReadingViews.ReadingRecord;

/**
 * A lane opened: what is behind its marks, the newest first.
 *
 * @param total how many items there are in all
 * @param readings of a measure in the area of reading: the newest, with their marked passages
 * @param middle the class's middle half in each screening window; empty where nothing can be said
 * @param middleSays whose it is, or why there is none; null for a lane that has none
 */
record LaneDetail(List<LaneItem> items, int total, List<ReadingRecord> readings, List<MiddleHalf> middle, @Nullable String middleSays) {

    /** @param what was done; @param value what came of it; @param more in small print */
    record LaneItem(LocalDate day, String what, @Nullable String value, @Nullable String more) {}

    /** From the lower to the upper quartile of the class's scores in a window. */
    record MiddleHalf(String window, LocalDate from, LocalDate to, double low, double median, double high, int n) {}
}
