package org.zealousladder.server.platform.texts;

import java.time.DateTimeException;
import java.time.LocalDate;

/** A day as it is written everywhere: {@code 2026-03-13}, in ASCII digits, of a year in which somebody who is at school can have been born or will still be. */
public final class Days {
    private static final int FIRST_YEAR = 1900;
    private static final int LAST_YEAR = 2200;

    private Days() {}

    /**
     * Parsed by hand: a million rows have a million days.
     *
     * @throws IllegalArgumentException with what is wrong and what would be right
     */
    public static LocalDate parse(String text) {
        if (text.length() != 10 || text.charAt(4) != '-' || text.charAt(7) != '-') {
            throw none(text);
        }
        int year = digits(text, 0, 4);
        int month = digits(text, 5, 7);
        int day = digits(text, 8, 10);
        if (year < 0 || month < 0 || day < 0) {
            throw none(text);
        }
        if (year < FIRST_YEAR || year > LAST_YEAR) {
            throw new IllegalArgumentException("'" + text + "' is too far away; check the year.");
        }
        try {
            return LocalDate.of(year, month, day);
        } catch (DateTimeException e) {
            throw new IllegalArgumentException("'" + text + "' is not a day in the calendar.");
        }
    }

    private static IllegalArgumentException none(String text) {
        return new IllegalArgumentException("'" + text + "' is not a date; write it like 2026-03-13.");
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
