package org.zealousladder.server.screening.table;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.screening.standings.CellStatus;

/**
 * A column per measure and window, a row per student.
 *
 * @param columns by measure, then by window
 */
public record TableView(List<TableColumn> columns, List<TableRow> rows) {

    /**
     * @param area of the measure
     * @param bands names from most to least support; empty where the students' ladders differ in them
     * @param lastYear whether the window has a namesake the year before
     */
    public record TableColumn(int measureId, String measure, String area, boolean higherIsBetter, int decimals, int windowId, String window, LocalDate starts,
            List<String> bands, boolean lastYear) {}

    /** @param cells in the columns' order */
    public record TableRow(StudentRef student, int grade, @Nullable String support, List<TableCell> cells) {}

    /**
     * A standing and the one of the same measure and season a year before.
     *
     * @param status of a cell without a value: absent, exempt, invalid, none or elsewhere
     * @param band from 0, the band that needs most support
     * @param close whether the band is not sure
     */
    public record TableCell(@Nullable Double value, @Nullable CellStatus status, @Nullable Integer band, @Nullable Integer tier, @Nullable Boolean close,
            @Nullable Double thenValue, @Nullable Integer thenBand, @Nullable Integer thenTier) {}
}
