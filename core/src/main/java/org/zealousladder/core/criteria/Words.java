package org.zealousladder.core.criteria;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;

/** Which words the language keeps for itself, and how names, days and numbers are written in it. */
final class Words {
    private static final Pattern YEAR = Pattern.compile("\\d{4}[-–/]\\d{2}(?:\\d{2})?");
    private static final Pattern NUMBER = Pattern.compile("-?\\d{1,15}(?:\\.\\d{1,9})?");
    private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{N}][\\p{L}\\p{M}\\p{N}'’.&+/–-]*");

    /** A name that has one of these in it stands in quotation marks. */
    private static final Set<String> KEPT = Set.of("in", "of", "for", "with", "on", "about", "at", "is", "are", "was", "were", "be", "not", "no", "and", "or",
            "since", "until", "from", "to", "the", "last", "any", "all", "none", "least", "most", "exactly", "under", "over", "one", "between", "whose",
            "who", "have", "has", "had", "students", "this");

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM uuuu", Locale.ENGLISH);

    private Words() {}

    static boolean kept(String word) {
        return KEPT.contains(word.toLowerCase(Locale.ROOT));
    }

    /** As it is written: by itself where it is made of plain words, else in quotation marks. */
    static String name(String name) {
        boolean plain = !name.isEmpty();
        for (String word : name.split(" ", -1)) {
            plain &= WORD.matcher(word).matches() && !kept(word) && !word.endsWith(".") && !YEAR.matcher(word).matches() && !NUMBER.matcher(word).matches();
        }
        return plain ? name : '"' + name.replace("\"", "\"\"") + '"';
    }

    static String day(LocalDate day) {
        return DAY.format(day);
    }

    static String number(double value) {
        return value == Math.rint(value) && Math.abs(value) < 1e15 ? Long.toString((long) value) : java.math.BigDecimal.valueOf(value).toPlainString();
    }
}
