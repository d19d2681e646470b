package org.zealousladder.server.screening.cuts;

import jakarta.validation.constraints.NotNull;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.measures.ladders.DrawnLadder.DrawnBand;

/**
 * A ladder as it is sent.
 *
 * @param seen the ladder that was changed; absent where none stood
 */
public record LadderForm(int set, int measure, int grade, int window, @Nullable Integer seen, @NotNull(message = "draw the bands") List<DrawnBand> bands) {}
