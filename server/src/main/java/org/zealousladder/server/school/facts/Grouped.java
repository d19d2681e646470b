package org.zealousladder.server.school.facts;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * One thing kept of a student.
 *
 * @param grouping of which grouping
 * @param starts null: always, as far as is known
 * @param ends the last day; null: it goes on
 */
public record Grouped(long id, int groupingId, String grouping, boolean sensitive, String value, @Nullable LocalDate starts, @Nullable LocalDate ends) {}
