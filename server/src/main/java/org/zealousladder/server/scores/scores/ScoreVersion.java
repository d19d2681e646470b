package org.zealousladder.server.scores.scores;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.scores.ScoreStatus;

/** One version of a score, the current one or one that was replaced; {@code supersededBy} tells which. */
public record ScoreVersion(long id, LocalDate takenOn, @Nullable Double value, ScoreStatus status, String source, OffsetDateTime recordedAt,
        @Nullable String recordedBy, @Nullable String reason, @Nullable Long supersededBy, @Nullable String form) {}
