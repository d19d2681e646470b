package org.zealousladder.server.contacts.letters;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Coded;
import org.zealousladder.server.contacts.texts.SchoolText;

/**
 * What is written, to whom.
 *
 * @param wordings the one with an empty language is for everybody who reads none of the others
 * @param instead what stands for a field where somebody has no value for it
 * @param without numbers of letters that are left out
 * @param seen what the preview was; saving only
 */
record LetterForm(@NotEmpty(message = "say about whom") @Size(max = 200, message = "are too many at once") List<Integer> students, @NotNull To to,
        @NotEmpty(message = "write something") List<SchoolText.@Valid Wording> wordings, @Nullable Integer measure, int year,
        @Nullable Map<String, String> instead,
        @Nullable List<String> without, @Nullable String seen) {

    /** To whom. */
    enum To implements Coded {
        HOME,
        STUDENT,
        STAFF
    }
}
