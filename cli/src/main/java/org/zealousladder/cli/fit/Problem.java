package org.zealousladder.cli.fit;

/** A bad row: its number as a spreadsheet shows it, the column, and what would be right. */
record Problem(int row, String column, String message) {}
