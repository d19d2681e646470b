package org.zealousladder.server.platform.words;

/** Text on its way into a spreadsheet. */
public final class Spreadsheet {
    private Spreadsheet() {}

    /** A cell from somebody's file that a spreadsheet would run as a formula is written as text. */
    public static String safe(String cell) {
        return !cell.isEmpty() && "=+-@\t\r".indexOf(cell.charAt(0)) >= 0 ? "'" + cell : cell;
    }
}
