package org.zealousladder.server.overview.prints;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.overview.prints.PrintWords.PhraseForm;
import org.zealousladder.server.overview.prints.PrintWords.PhraseWords;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.SetupRights;

/** The fixed words of a school's printed pages. */
@Service
@Transactional
class PrintWordsService {
    private final PrintsStore store;
    private final SetupRights rights;

    PrintWordsService(PrintsStore store, SetupRights rights) {
        this.store = store;
        this.rights = rights;
    }

    @Transactional(readOnly = true)
    PrintWords of(int school) {
        Optional<PrintsStore.Language> language = store.language(school);
        Map<Phrase, String> words = store.words(school);
        List<PhraseWords> all = Arrays.stream(Phrase.values()).map(p -> new PhraseWords(p, p.english(), words.get(p))).toList();
        return new PrintWords(school, language.map(PrintsStore.Language::name).orElse(null), language.map(PrintsStore.Language::tag).orElse(null), all,
                Phrase.values().length - words.size(), rights.mayChange(school));
    }

    /** @throws Refusal 403 for whom they are not, 422 for a phrase that has lost what is put into it, or has what is not */
    void keep(int school, PrintWords.PrintWordsForm form) {
        rights.require(school, "Words of printed pages");
        Map<Phrase, String> words = new EnumMap<>(Phrase.class);
        for (PhraseForm f : form.phrases()) {
            if (!f.words().isBlank()) {
                requireFields(f);
                words.put(f.phrase(), f.words().strip());
            }
        }
        store.keep(school, new PrintsStore.Language(form.name().strip(), form.tag()), words);
    }

    private static void requireFields(PhraseForm f) {
        Set<String> wanted = Phrase.fields(f.phrase().english());
        Set<String> there = Phrase.fields(f.words());
        if (!wanted.equals(there)) {
            throw Refusal.invalid(f.phrase().code(), "\"" + f.phrase().english() + "\" in the other language needs "
                    + (wanted.isEmpty() ? "no words in curly brackets" : "the same words in curly brackets: "
                            + wanted.stream().map(w -> "{" + w + "}").collect(Collectors.joining(", ")))
                    + ". Nothing was saved.");
        }
    }

    /** @param second whether the school's other language is wanted @throws Refusal 422 where it has none */
    @Transactional(readOnly = true)
    Wording wording(int school, boolean second) {
        if (!second) {
            return Wording.ENGLISH;
        }
        PrintsStore.Language language = store.language(school).orElseThrow(() -> Refusal.invalid("second",
                "The school has no second language for printed pages yet. A coordinator sets it up under Setup, Texts."));
        return new Wording(language.tag(), store.words(school));
    }
}
