package org.zealousladder.server.school.calendar;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * A span of days, first to last.
 *
 * @param schoolId null: of every school
 * @param words what it is called; of a closure, why
 * @param by who said so; null for a file of the command line
 */
public record CalendarSpan(int id, @Nullable Integer schoolId, SpanKind kind, LocalDate starts, LocalDate ends, String words, @Nullable String by) {}
