package org.zealousladder.server.monitoring.strip;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.scores.ScoreStatus;

/**
 * What was typed for a student on a day, as it is sent.
 *
 * @param values one score, or those of two or three forms, whose median counts; empty with another status than scored
 * @param status scored, absent, exempt, invalid, or withdrawn to take back what stands there
 * @param seen the record that stood there when it was typed; absent for none
 * @param sure whether an unlikely jump was asked about and is kept
 * @param form the name of the form or passage; empty for none, absent: as it is on record
 */
public record StripScore(int studentId, int measureId, @NotNull(message = "give the date") LocalDate day,
        @NotNull @Size(max = 3, message = "up to three forms") List<Double> values,
        @NotNull(message = "say what it is: scored, absent, exempt or invalid") ScoreStatus status, @Nullable Long seen, @Nullable Boolean sure,
        @Nullable String form) {}
