package org.zealousladder.server.overview.students;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;

/** Which lanes somebody sees, by key. @param order the lanes wanted first; others follow in their own order */
public record LaneChoice(@NotNull @Size(max = 200) List<@Size(max = 40) String> order, @NotNull @Size(max = 200) List<@Size(max = 40) String> hidden) {
    static final LaneChoice AS_THEY_ARE = new LaneChoice(List.of(), List.of());
}
