package org.zealousladder.server.platform.downloads;

import java.util.List;
import org.dhatim.fastexcel.Worksheet;

/** Rows of a workbook's sheet. */
public final class SheetRows {
    private SheetRows() {}

    /** Numbers as numbers, all else as text, from the first column on. */
    public static void put(Worksheet sheet, int row, List<?> cells) {
        for (int c = 0; c < cells.size(); c++) {
            if (cells.get(c) instanceof Double d) {
                sheet.value(row, c, d);
            } else {
                sheet.value(row, c, cells.get(c).toString());
            }
        }
    }
}
