package org.zealousladder.server.exchange.records;

import java.util.List;
import org.zealousladder.server.platform.files.Forms;

/**
 * What a file would do, or did.
 *
 * @param sheets of a workbook, the one that was read first; none for any other file
 * @param forms how the file was read
 * @param sureOfDays false where every day could begin with the day or with the month
 * @param rows data rows in the file
 * @param refused rows that are not taken, each with at least one entry in {@code refusals}
 * @param digest of what was looked at: every row, what comes of it and what it would replace
 * @param notices what is unusual about the file but does not stop it
 * @param refusals the first of them, by row
 */
public record ImportResult(String kind, String label, List<String> sheets, Forms forms, boolean sureOfDays, int rows, int added, int changed, int unchanged,
        int refused,
        String digest, List<String> notices, List<RowRefusal> refusals) {

    /** Why a row is refused: its number as a spreadsheet shows it, the column, what stands there and what would be right. */
    public record RowRefusal(int row, String column, String value, String message) {}

    /** Whether taking the file would do something else than was shown. */
    boolean differsFrom(ImportResult shown) {
        return !digest.equals(shown.digest);
    }
}
