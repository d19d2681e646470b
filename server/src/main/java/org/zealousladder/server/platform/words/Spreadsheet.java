package org.zealousladder.server.platform.words;

import java.util.regex.Pattern;

/** Text on its way into a spreadsheet. */
public final class Spreadsheet {
    private Spreadsheet() {}

    private static final String BEGINS = "=+-@\t\r";
    private static final Pattern NUMBER = Pattern.compile("[+-]?\\d+(\\.\\d+)?");

    /** A cell that a spreadsheet would run as a formula is written as text. A number is none. */
    public static String safe(String cell) {
        return runs(cell) && !NUMBER.matcher(cell).matches() ? "'" + cell : cell;
    }

    /** What {@link #safe} was given: a file that was taken out can be brought in again. */
    public static String plain(String cell) {
        return cell.startsWith("'") && runs(cell.substring(1)) ? cell.substring(1) : cell;
    }

    private static boolean runs(String cell) {
        return !cell.isEmpty() && BEGINS.indexOf(cell.charAt(0)) >= 0;
    }
}
