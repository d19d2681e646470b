package org.zealousladder.server.platform.files;

import java.time.DateTimeException;
import java.time.LocalDate;

/**
 * Reads the text of single cells. Each method throws {@link IllegalArgumentException} with what is wrong and what would be
 * right.
 */
public final class Cells {
    private Cells() {}

    /** An ISO date. Parsed by hand: a million rows have a million dates. */
    public static LocalDate date(String text) {
        if (text.length() == 10 && text.charAt(4) == '-' && text.charAt(7) == '-') {
            int year = digits(text, 0, 4);
            int month = digits(text, 5, 7);
            int day = digits(text, 8, 10);
            if (year >= 0 && month >= 0 && day >= 0) {
                try {
                    return LocalDate.of(year, month, day);
                } catch (DateTimeException e) {
                    throw new IllegalArgumentException("'" + text + "' is not a day in the calendar.");
                }
            }
        }
        throw new IllegalArgumentException("'" + text + "' is not a date; write it like 2026-03-13.");
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
        if (!Double.isFinite(value)) {
            throw new IllegalArgumentException("'" + text + "' is not a finite number.");
        }
        return value;
    }

    public static int whole(String text) {
        try {
            return Integer.parseInt(text);
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException("'" + text + "' is not a whole number.");
        }
    }

    private static int digits(String text, int from, int to) {
        int value = 0;
        for (int i = from; i < to; i++) {
            char c = text.charAt(i);
            if (c < '0' || c > '9') {
                return -1;
            }
            value = value * 10 + c - '0';
        }
        return value;
    }
}
