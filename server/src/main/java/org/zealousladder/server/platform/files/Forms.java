package org.zealousladder.server.platform.files;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.zealousladder.core.Coded;

/** How a file writes things: its letters, what stands between its cells, its days and its decimals. Found by looking at it, and for a person to change. */
public record Forms(Letters letters, Between between, DayForm days, Decimals decimals) {
    /** What the product itself writes. */
    public static final Forms OWN = new Forms(Letters.UTF_8, Between.COMMA, DayForm.YEAR_FIRST, Decimals.POINT);

    /** The encoding. */
    public enum Letters implements Coded {
        UTF_8("UTF-8", StandardCharsets.UTF_8),
        UTF_16LE("UTF-16", StandardCharsets.UTF_16LE),
        UTF_16BE("UTF-16, the other way round", StandardCharsets.UTF_16BE),
        WINDOWS_1252("Windows-1252", Charset.forName("windows-1252"));

        private final String words;
        private final Charset charset;

        Letters(String words, Charset charset) {
            this.words = words;
            this.charset = charset;
        }

        public Charset charset() {
            return charset;
        }
    }

    /** The delimiter. */
    public enum Between implements Coded {
        COMMA("commas", ','),
        SEMICOLON("semicolons", ';'),
        TAB("tabs", '\t');

        private final String words;
        private final char sign;

        Between(String words, char sign) {
            this.words = words;
            this.sign = sign;
        }

        public char sign() {
            return sign;
        }
    }

    /** Which part of a day comes first. Days with the year first are read whatever is said here. */
    public enum DayForm implements Coded {
        YEAR_FIRST("2025-09-05"),
        DAY_FIRST("05/09/2025 as 5 September"),
        MONTH_FIRST("05/09/2025 as May 9");

        private final String words;

        DayForm(String words) {
            this.words = words;
        }
    }

    /** The sign between a number's whole part and the rest. */
    public enum Decimals implements Coded {
        POINT("12.5"),
        COMMA("12,5");

        private final String words;

        Decimals(String words) {
            this.words = words;
        }
    }

    public Forms with(DayForm other) {
        return new Forms(letters, between, other, decimals);
    }

    /** What is other than usual, in words; empty when nothing is. */
    public List<String> unusual() {
        List<String> all = new ArrayList<>();
        if (letters != OWN.letters) {
            all.add("letters as " + letters.words);
        }
        if (between != OWN.between) {
            all.add(between.words + " between the cells");
        }
        if (days != OWN.days) {
            all.add("days like " + days.words);
        }
        if (decimals != OWN.decimals) {
            all.add("decimals like " + decimals.words);
        }
        return all;
    }
}
