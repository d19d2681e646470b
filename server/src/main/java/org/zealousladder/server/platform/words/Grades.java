package org.zealousladder.server.platform.words;

import java.text.Normalizer;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Grades: words with an order. {@code KG} is 0, the year before grade 1; the rest are 1 to 13. */
public final class Grades {
    public static final int FIRST = 0;
    public static final int LAST = 13;

    private static final Set<String> KINDERGARTEN = Set.of("kg", "k", "kindergarten", "reception", "foundation", "prep", "vorschule");
    /** A number, perhaps with a word before or after it and the sign of an ordinal: Grade 3, 3rd grade, 3. Klasse, Year 03, 3e. */
    private static final Pattern NUMBERED = Pattern.compile("(?:\\p{L}+\\.? ?)?0?(\\d{1,2})(?:\\.|st|nd|rd|th|e|eme|o|a)?(?: ?\\p{L}+)?");

    private Grades() {}

    /** As it stands in a sentence: {@code grade 3}, or {@code KG}. */
    public static String words(int grade) {
        return grade == 0 ? "KG" : "grade " + grade;
    }

    /** As it begins one: {@code Grade 3}, or {@code KG}. */
    public static String title(int grade) {
        return grade == 0 ? "KG" : "Grade " + grade;
    }

    /**
     * Reads a grade as schools write it.
     *
     * @throws IllegalArgumentException with what would be right
     */
    public static int parse(String text) {
        String plain = Normalizer.normalize(text, Normalizer.Form.NFKD).replaceAll("\\p{M}", "").toLowerCase(Locale.ROOT).strip();
        if (KINDERGARTEN.contains(plain)) {
            return FIRST;
        }
        Matcher m = NUMBERED.matcher(plain);
        if (m.matches() && Integer.parseInt(m.group(1)) <= LAST) {
            return Integer.parseInt(m.group(1));
        }
        throw new IllegalArgumentException("'" + text + "' is not a grade; write KG, or a whole number from 1 to " + LAST + ".");
    }
}
