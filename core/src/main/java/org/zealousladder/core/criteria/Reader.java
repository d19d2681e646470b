package org.zealousladder.core.criteria;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeFormatterBuilder;
import java.time.format.ResolverStyle;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Goes through a text token by token: words, names, numbers and days. */
final class Reader {
    private static final List<String> COUNTS = List.of("one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten");
    private static final List<DateTimeFormatter> DAYS = List.of(day("d MMM uuuu"), day("d MMMM uuuu"));

    private final List<Token> tokens;
    private int at;

    Reader(String text) {
        tokens = Token.of(text);
    }

    private static DateTimeFormatter day(String pattern) {
        return new DateTimeFormatterBuilder().parseCaseInsensitive().appendPattern(pattern).toFormatter(Locale.ENGLISH)
                .withResolverStyle(ResolverStyle.STRICT);
    }

    Token now() {
        return tokens.get(at);
    }

    Token ahead(int by) {
        return tokens.get(Math.min(at + by, tokens.size() - 1));
    }

    /** Where the one before ended. */
    Place last() {
        return at == 0 ? new Place(0, 0) : tokens.get(at - 1).place();
    }

    int position() {
        return at;
    }

    void back(int position) {
        at = position;
    }

    void skip() {
        at++;
    }

    boolean ended() {
        return now().kind() == Token.Kind.END;
    }

    /** Takes these words, if they are what comes next. */
    boolean took(String words) {
        String[] all = words.split(" ");
        for (int i = 0; i < all.length; i++) {
            if (!ahead(i).is(all[i])) {
                return false;
            }
        }
        at += all.length;
        return true;
    }

    /** Takes the first of some phrases that comes next; the longest should come first. */
    Optional<String> tookOne(List<String> phrases) {
        return phrases.stream().filter(this::took).findFirst();
    }

    boolean tookAny(String... words) {
        return Arrays.stream(words).anyMatch(this::took);
    }

    /** A name, in quotation marks or made of words that the language does not keep for itself; empty where none comes next. */
    Optional<String> name() {
        if (now().kind() == Token.Kind.QUOTED && !now().text().isEmpty()) {
            return Optional.of(tokens.get(at++).text());
        }
        List<String> words = new ArrayList<>();
        while (now().names()) {
            words.add(tokens.get(at++).text());
        }
        return words.isEmpty() ? Optional.empty() : Optional.of(String.join(" ", words));
    }

    /** A number, as digits or as a word up to ten. */
    @Nullable
    Double number() {
        if (now().kind() == Token.Kind.NUMBER) {
            return Double.valueOf(tokens.get(at++).text());
        }
        int word = COUNTS.indexOf(now().text().toLowerCase(Locale.ROOT));
        if (now().kind() == Token.Kind.WORD && word >= 0) {
            at++;
            return word + 1.0;
        }
        return null;
    }

    /** A whole number from 1 on. */
    @Nullable
    Integer count() {
        int before = at;
        Double n = number();
        if (n == null || n != Math.rint(n) || n < 1 || n > 1000) {
            at = before;
            return null;
        }
        return n.intValue();
    }

    /** @return null where no day comes next @throws MistakeException for one that no calendar has */
    @Nullable
    LocalDate day() {
        if (now().kind() == Token.Kind.DAY) {
            Token t = tokens.get(at++);
            try {
                return LocalDate.parse(t.text());
            } catch (DateTimeException e) {
                throw noDay(t.place(), t.text());
            }
        }
        if (now().kind() == Token.Kind.NUMBER && ahead(1).kind() == Token.Kind.WORD && ahead(2).kind() == Token.Kind.NUMBER) {
            String text = now().text() + " " + ahead(1).text() + " " + ahead(2).text();
            Place place = now().place().to(ahead(2).place());
            at += 3;
            for (DateTimeFormatter form : DAYS) {
                try {
                    return LocalDate.parse(text, form);
                } catch (DateTimeException e) {
                    // Perhaps the other form.
                }
            }
            throw noDay(place, text);
        }
        return null;
    }

    private static MistakeException noDay(Place place, String text) {
        return new MistakeException(place, "'" + text + "' is no day. Write it like 1 Sep 2025 or 2025-09-01.", List.of());
    }

    /** @param expected what could stand here instead */
    MistakeException mistake(String sentence, List<String> expected) {
        return new MistakeException(now().place(), sentence, expected);
    }
}
