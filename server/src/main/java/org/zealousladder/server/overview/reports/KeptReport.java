package org.zealousladder.server.overview.reports;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.overview.reports.ReportTable.ReportKind;

/**
 * Settings of a report that somebody keeps for themselves.
 *
 * @param who whose students, as addresses have it
 * @param from of two named days; null for the other spans
 * @param weekly whether its sums are sent every Monday; @param lastOn when they were last; @param state of that letter
 */
record KeptReport(int id, String name, String who, ReportSpan span, @Nullable LocalDate from, @Nullable LocalDate to, List<ReportKind> tables, boolean weekly,
        @Nullable LocalDate lastOn, @Nullable String state) {}
