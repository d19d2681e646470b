package org.zealousladder.server.measures.measures;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A measure that is not there yet.
 *
 * @param code absent: made from the name
 * @param kind {@code screening}, given to everybody a few times a year, {@code probe}, given often to follow progress, or
 *            {@code outside}, an assessment of a body outside the school
 * @param better {@code higher} or {@code lower}
 * @param sem standard error of measurement in score units, where it states one
 * @param addsUp whether its score is the sum of its parts'
 * @param parts its sub-scores
 * @param about what it is, in a few words; of the measures to begin with
 */
public record NewMeasure(@Nullable @Size(max = 60) String code, @NotBlank(message = "give it a name") @Size(max = 100) String name,
        @NotNull @Pattern(regexp = "screening|probe|outside", message = "say whether it is screening, probe or outside") String kind,
        @NotBlank(message = "say the area") @Size(max = 60) String area, @NotBlank(message = "say the unit") @Size(max = 60) String unit, double lowest,
        double highest,
        @Min(0) @Max(3) int decimals, @NotNull @Pattern(regexp = "higher|lower", message = "say whether higher or lower is better") String better,
        @Nullable Double sem, @Nullable String about, @Nullable Boolean addsUp, @Nullable @Size(max = 20) List<@Valid NewMeasure> parts) {

    NewMeasure withParts(@Nullable List<NewMeasure> all) {
        return new NewMeasure(code, name, kind, area, unit, lowest, highest, decimals, better, sem, about, addsUp, all);
    }

    boolean isSum() {
        return Boolean.TRUE.equals(addsUp);
    }

    /** Its sub-scores; those of a part do not count. */
    List<NewMeasure> subScores() {
        return parts == null ? List.of() : parts;
    }
}
