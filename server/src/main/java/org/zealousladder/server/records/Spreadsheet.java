package org.zealousladder.server.records;

/** Text on its way into a spreadsheet. */
final class Spreadsheet {
    private Spreadsheet() {}

    /** A cell from somebody's file that a spreadsheet would run as a formula is written as text. */
    static String safe(String cell) {
        return !cell.isEmpty() && "=+-@\t\r".indexOf(cell.charAt(0)) >= 0 ? "'" + cell : cell;
    }
}
