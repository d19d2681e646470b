package org.zealousladder.server.learning.frameworks;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A skill as it is typed.
 *
 * @param code null: made of its name
 * @param place null: at the end, or where it is
 * @param seen what a listener sees when it is had; null: as it is
 */
record SkillForm(@Nullable @Size(max = 80, message = "has at most 80 letters") String code,
        @NotBlank(message = "is missing") @Size(max = 160, message = "has at most 160 letters") String name,
        @Nullable @Size(max = 1000, message = "has at most 1000 letters") String statement,
        @NotBlank(message = "is missing") @Size(max = 60, message = "has at most 60 letters") String area,
        @NotBlank(message = "is missing") @Size(max = 80, message = "has at most 80 letters") String domain, @Nullable @Min(0) @Max(13) Integer grade,
        @Nullable @Min(0) @Max(100_000) Integer place, @NotNull List<Integer> restsOn,
        @Nullable List<Integer> seen) {}
