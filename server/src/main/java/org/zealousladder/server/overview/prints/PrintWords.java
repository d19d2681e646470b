package org.zealousladder.server.overview.prints;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The second language of a school's printed pages.
 *
 * @param name of the language, as people there say it; null where none is set up
 * @param tag as in BCP 47
 * @param missing how many phrases have no words in it yet
 */
record PrintWords(int school, @Nullable String name, @Nullable String tag, List<PhraseWords> phrases, int missing, boolean mayChange) {

    /** A phrase in both. @param words null where there are none yet */
    record PhraseWords(Phrase phrase, String english, @Nullable String words) {}

    /** @param words an empty one stays English */
    record PhraseForm(@NotNull Phrase phrase, @NotNull @Size(max = 300, message = "is too long") String words) {}

    /** What is kept of a school. */
    record PrintWordsForm(@NotBlank(message = "say what the language is called") @Size(max = 60, message = "is too long") String name,
            @NotBlank(message = "write its short form, as in es or pt-BR") @Pattern(regexp = "[a-zA-Z]{2,3}(-[a-zA-Z0-9]{2,8}){0,3}",
                    message = "is no short form of a language, as es or pt-BR are") String tag,
            @NotNull List<@Valid PhraseForm> phrases) {}
}
