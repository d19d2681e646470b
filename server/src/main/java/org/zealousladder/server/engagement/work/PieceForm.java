package org.zealousladder.server.engagement.work;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Positive;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.platform.texts.Texts;
import org.zealousladder.server.platform.words.Words;

/** A piece of work as somebody writes it down. Of a class or of a group; which of them stays as it was made. */
record PieceForm(@Nullable Integer id, @Nullable Integer classId, @Nullable Integer groupId,
        @NotBlank(message = "say what it is called") @Size(max = 120, message = "is too long") String title,
        @Nullable @Size(max = 60, message = "is too long") String subject,
        @NotBlank(message = "say what kind of work it is") @Size(max = 60, message = "is too long") String kind,
        @NotNull(message = "say when it is due") LocalDate due,
        @Positive(message = "are more than none") @DecimalMax(value = "10000", message = "are too many") double possible,
        @Nullable @Size(max = 120, message = "is too long") String skill,
        @Nullable @Size(max = 500, message = "is too long") @Pattern(regexp = "https?://\\S+|", message = "begins with https://") String link) {

    /** Without spaces around, and nothing for what is empty. */
    PieceForm clean() {
        return new PieceForm(id, classId, groupId, Texts.clean(title).strip(), orNull(subject), Texts.clean(kind).strip(), due, possible, orNull(skill),
                orNull(link));
    }

    private static @Nullable String orNull(@Nullable String text) {
        return text == null ? null : Words.orNull(Texts.clean(text));
    }
}
