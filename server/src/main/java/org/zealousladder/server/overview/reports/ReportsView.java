package org.zealousladder.server.overview.reports;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.school.roster.StudentRef;

/** @param student the one it is of, where one was named @param to the last day that counts, no later than the day looked at */
public record ReportsView(String title, @Nullable StudentRef student, LocalDate from, LocalDate to, LocalDate asOf, int students, List<ReportTable> tables) {}
