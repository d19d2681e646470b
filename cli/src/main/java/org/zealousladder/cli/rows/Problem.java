package org.zealousladder.cli.rows;

/** A bad row: its number as a spreadsheet shows it, the column, and what would be right. */
public record Problem(int row, String column, String message) {}
