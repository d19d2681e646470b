package org.zealousladder.server.platform.files;

import java.time.LocalDate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.platform.texts.Days;

/**
 * Reads the text of single cells. Each method throws {@link IllegalArgumentException} with what is wrong and what would be
 * right.
 */
public final class Cells {
    private static final double LARGEST = 1e300;
    private static final String MIDNIGHT = "(?:[ T]00:00(?::00(?:\\.0+)?)?)?";
    private static final Pattern YEAR_FIRST = Pattern.compile("(\\d{4})[-/.](\\d{1,2})[-/.](\\d{1,2})" + MIDNIGHT);
    private static final Pattern YEAR_LAST = Pattern.compile("(\\d{1,2})[-/.] ?(\\d{1,2})[-/.] ?(\\d{4}|\\d{2})" + MIDNIGHT);
    private static final Pattern WITH_COMMA = Pattern.compile("[+-]?(?:\\d+|\\d{1,3}(?:[. ]\\d{3})+),\\d+");

    private Cells() {}

    /** A day like {@code 2026-03-13}. */
    public static LocalDate date(String text) {
        return Days.parse(text);
    }

    /**
     * A day written in one of the usual ways: with {@code -}, {@code /} or {@code .} between its parts, with two or four digits of the year, with the midnight that a
     * spreadsheet adds. Two digits are of this century.
     *
     * @return like {@code 2026-03-13}
     */
    public static String day(String text, Forms.DayForm form) {
        if (text.length() == 10 && text.charAt(4) == '-') {
            Days.parse(text);
            return text;
        }
        Matcher yearFirst = YEAR_FIRST.matcher(text);
        if (yearFirst.matches()) {
            return checked(text, yearFirst.group(1), yearFirst.group(2), yearFirst.group(3));
        }
        Matcher other = YEAR_LAST.matcher(text);
        if (!other.matches()) {
            throw new IllegalArgumentException("'" + text + "' is not a date; write it like 2026-03-13.");
        }
        String year = other.group(3).length() == 2 ? "20" + other.group(3) : other.group(3);
        return switch (form) {
            case DAY_FIRST -> checked(text, year, other.group(2), other.group(1));
            case MONTH_FIRST -> checked(text, year, other.group(1), other.group(2));
            case YEAR_FIRST -> throw new IllegalArgumentException("'" + text + "' can be two days; say whether the day or the month comes first.");
        };
    }

    private static String checked(String text, String year, String month, String day) {
        String iso = year + "-" + (month.length() == 1 ? "0" : "") + month + "-" + (day.length() == 1 ? "0" : "") + day;
        try {
            Days.parse(iso);
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException(String.valueOf(e.getMessage()).replace("'" + iso + "'", "'" + text + "'"));
        }
        return iso;
    }

    /** {@code 1.234,5} as {@code 1234.5}. What is written otherwise is left as it is, to be refused in its own words. */
    public static String withPoint(String text) {
        return WITH_COMMA.matcher(text).matches() ? text.replace(".", "").replace(" ", "").replace(',', '.') : text;
    }

    /** Whether a number is written with a comma before its decimals. */
    public static boolean hasComma(String text) {
        return text.indexOf(',') >= 0 && WITH_COMMA.matcher(text).matches();
    }

    /** Of a day with its year last, the two numbers before; null for any other text. */
    public static int @Nullable [] dayAndMonth(String text) {
        Matcher m = YEAR_LAST.matcher(text);
        return m.matches() ? new int[] {Integer.parseInt(m.group(1)), Integer.parseInt(m.group(2))} : null;
    }

    /** A finite number with a decimal point. */
    public static double number(String text) {
        double value;
        try {
            value = Double.parseDouble(text);
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException("'" + text + "' is not a number" + (text.indexOf(',') >= 0 ? "; write decimals with a point, like 12.5." : "."));
        }
        char last = text.charAt(text.length() - 1);
        if (last == 'd' || last == 'D' || last == 'f' || last == 'F' || text.indexOf('x') >= 0 || text.indexOf('X') >= 0) {
            throw new IllegalArgumentException("'" + text + "' is not a number.");
        }
        // The database keeps nothing nearer to nought than that, but nought; and reckons with nothing larger.
        if (!(Math.abs(value) <= LARGEST) || Math.abs(value) < Double.MIN_NORMAL && hasDigit(text)) {
            throw new IllegalArgumentException("'" + text + "' is not a number that can be kept.");
        }
        return value;
    }

    public static int whole(String text) {
        try {
            if (text.chars().anyMatch(c -> c > '9')) {
                throw new NumberFormatException();
            }
            return Integer.parseInt(text);
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException("'" + text + "' is not a whole number.");
        }
    }

    /** Whether the number says that it is not nought. */
    private static boolean hasDigit(String text) {
        for (int i = 0; i < text.length() && text.charAt(i) != 'e' && text.charAt(i) != 'E'; i++) {
            if (text.charAt(i) >= '1' && text.charAt(i) <= '9') {
                return true;
            }
        }
        return false;
    }
}
