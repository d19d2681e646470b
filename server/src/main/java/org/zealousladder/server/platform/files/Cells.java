package org.zealousladder.server.platform.files;

import java.time.LocalDate;
import org.zealousladder.server.platform.texts.Days;

/**
 * Reads the text of single cells. Each method throws {@link IllegalArgumentException} with what is wrong and what would be
 * right.
 */
public final class Cells {
    private static final double LARGEST = 1e300;

    private Cells() {}

    /** A day like {@code 2026-03-13}. */
    public static LocalDate date(String text) {
        return Days.parse(text);
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
