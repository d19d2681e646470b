package org.zealousladder.server.platform.words;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** Days, scores and small numbers in words, and sentences with a capital and a full stop. */
public final class Words {
    private static final String[] SMALL = {"none", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten",
            "eleven", "twelve"};

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    private static final DateTimeFormatter SHORT = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);

    private Words() {}

    public static String number(long n) {
        return n >= 0 && n < SMALL.length ? SMALL[(int) n] : Long.toString(n);
    }

    /** 13 Mar 2026 */
    public static String day(LocalDate day) {
        return DAY.format(day);
    }

    /** 13 Mar, for a day of the year that runs. */
    public static String shortDay(LocalDate day) {
        return SHORT.format(day);
    }

    /** A score without needless decimals. */
    public static String plain(double value) {
        return new BigDecimal(Double.toString(value)).stripTrailingZeros().toPlainString();
    }

    /** "a", "a and b", "a, b and c". */
    public static String list(List<String> words) {
        int last = words.size() - 1;
        return last < 1 ? String.join("", words) : String.join(", ", words.subList(0, last)) + " and " + words.get(last);
    }

    /** What somebody typed, without the spaces around it; null where that is nothing. */
    public static @Nullable String orNull(@Nullable String typed) {
        return typed == null || typed.isBlank() ? null : typed.strip();
    }

    public static String sentence(String text) {
        return text.isEmpty() ? "" : Character.toUpperCase(text.charAt(0)) + text.substring(1) + ".";
    }
}
