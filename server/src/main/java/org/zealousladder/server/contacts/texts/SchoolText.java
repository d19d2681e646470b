package org.zealousladder.server.contacts.texts;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Coded;

/**
 * A text of the school's own.
 *
 * @param id null for one that is new
 * @param schoolId null: of every school
 * @param wordings one for each language; the one with an empty language is for everybody else
 */
public record SchoolText(@Nullable Integer id, @Nullable Integer schoolId,
        @NotBlank(message = "give it a name") @Size(max = 80, message = "is too long") String name,
        @NotNull(message = "say what it is for") Purpose purpose, @NotEmpty(message = "write it") List<@Valid Wording> wordings) {

    /** What it is for. */
    public enum Purpose implements Coded {
        WORRY,
        PRAISE,
        OTHER
    }

    /** @param language as people at home have it; empty: for everybody else */
    public record Wording(@NotNull(message = "say the language") @Size(max = 60, message = "is too long") String language,
            @NotBlank(message = "write a subject") @Size(max = 200, message = "is too long") String subject,
            @NotBlank(message = "write the text") @Size(max = 8000, message = "is too long") String body) {}
}
