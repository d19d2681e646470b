package org.zealousladder.server.overview.prints;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Map;

/** The fixed words of a page in a language; those that the school has not given stay English. */
final class Wording {
    static final Wording ENGLISH = new Wording("en", Map.of());

    private final String tag;
    private final Map<Phrase, String> words;
    private final DateTimeFormatter day;

    /** @param tag language, as in BCP 47 */
    Wording(String tag, Map<Phrase, String> words) {
        this.tag = tag;
        this.words = words;
        day = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.forLanguageTag(tag));
    }

    String tag() {
        return tag;
    }

    String day(LocalDate on) {
        return day.format(on);
    }

    /** @param fields by name, each followed by its value */
    String say(Phrase phrase, Object... fields) {
        String text = words.getOrDefault(phrase, phrase.english());
        for (int i = 0; i < fields.length; i += 2) {
            Object value = fields[i + 1];
            text = text.replace("{" + fields[i] + "}", value instanceof LocalDate d ? day(d) : value.toString());
        }
        return text;
    }
}
