package org.zealousladder.server.learning.reading;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.reading.Mark;

/**
 * A reading as it is sent.
 *
 * @param limitSeconds after which the bell rang; null where the passage was read to its end
 * @param retelling 0 to 4
 * @param level what was confirmed, or given instead of the proposed one with a reason; ignored when only counted
 * @param measureId the measure that takes the words correct per minute as the day's score; null for none
 */
public record ReadingForm(int studentId, int passageId, @NotNull LocalDate readOn, double seconds, @Nullable Integer limitSeconds, int lastWord,
        @NotNull @Size(max = 2000) List<@Valid MarkAt> marks, @Nullable @Min(0) @Max(4) Integer retelling, @NotNull @Size(max = 40) List<@Valid Answer> answers,
        @NotNull @Size(max = 60) List<@Valid Seen> seen, @Nullable @Size(max = 80) String level, @Nullable @Size(max = 500) String levelReason,
        @Nullable @Size(max = 1000) String note, @Nullable Integer measureId) {

    /** A mark with the second on the clock at which it was made. */
    public record MarkAt(@Min(0) @Max(20000) int word, @NotNull(message = "say what kind of mark") Mark.Kind kind, @Min(0) double at) {}

    public record Answer(int questionId, @Min(0) @Max(9) int points) {}

    public record Seen(int behaviourId, boolean shown) {}
}
