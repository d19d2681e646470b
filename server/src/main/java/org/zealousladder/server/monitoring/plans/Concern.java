package org.zealousladder.server.monitoring.plans;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** How much a student worries us in an area: 1 keep an eye on, 2 needs help, 3 needs much help; 0 no more. */
public record Concern(long id, int studentId, String area, int level, @Nullable String note, LocalDate since, @Nullable String by) {}
