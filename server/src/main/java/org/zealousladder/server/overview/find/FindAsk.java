package org.zealousladder.server.overview.find;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * What is asked.
 *
 * @param text a criterion as a sentence; empty: everybody of the scope
 * @param who whose students; null: every student of the viewer's
 * @param columns of the table, between semicolons; null: those that the criterion speaks of
 * @param sort number of the column it is sorted by, from 0; null: by name
 * @param cannotTell whether the rows are those for whom it cannot be told
 */
record FindAsk(@NotNull @Size(max = 4000) String text, @Nullable String who, @NotNull LocalDate asOf, @Nullable @Size(max = 2000) String columns,
        @Nullable Integer sort, boolean descending, boolean cannotTell, @Min(0) int from, @Min(1) @Max(1000) int rows) {}
