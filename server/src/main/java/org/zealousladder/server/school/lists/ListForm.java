package org.zealousladder.server.school.lists;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import org.jspecify.annotations.Nullable;

/** What somebody says of a list. See {@link KeptList} for what each means. */
public record ListForm(@NotBlank(message = "Give the list a name.") @Size(max = 80) String name, @Nullable @Size(max = 4000) String criterion,
        @Nullable @Size(max = 40) String scope, @Nullable @Size(max = 2000) String columns, boolean shared) {
    ListForm tidy() {
        return new ListForm(name.strip().replaceAll("\\s+", " "), blank(criterion), blank(scope), blank(columns), shared);
    }

    private static @Nullable String blank(@Nullable String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }
}
