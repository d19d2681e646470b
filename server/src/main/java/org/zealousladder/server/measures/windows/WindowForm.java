package org.zealousladder.server.measures.windows;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * A screening window as it is sent.
 *
 * @param id absent: a new window
 */
public record WindowForm(@Nullable Integer id, int yearId, @NotBlank(message = "give it a name") @Size(max = 40) String name,
        @NotNull(message = "give the first day") LocalDate starts, @NotNull(message = "give the last day") LocalDate ends) {

    public static WindowForm of(Window w) {
        return new WindowForm(w.id(), w.yearId(), w.name(), w.starts(), w.ends());
    }
}
