package org.zealousladder.server.screening.table;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.platform.downloads.Download;
import org.zealousladder.server.platform.downloads.DownloadTest;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.screening.standings.CellStatus;
import org.zealousladder.server.screening.table.TableView.TableCell;
import org.zealousladder.server.screening.table.TableView.TableColumn;
import org.zealousladder.server.screening.table.TableView.TableRow;

class TableExportTest {
    private static final LocalDate WINTER = LocalDate.of(2026, 1, 12);
    private static final List<TableColumn> COLUMNS = List.of(
            new TableColumn(1, "Maze", "Reading", true, 0, 5, "Winter", WINTER, List.of("Needs a lift", "Secure"), true),
            new TableColumn(2, "Number facts", "Maths", true, 0, 5, "Winter", WINTER, List.of(), false));
    private static final TableView VIEW = new TableView(COLUMNS, List.of(
            new TableRow(new StudentRef(1, "S1", "Ada Quill", "AQ", "Tern", 4), 2, null,
                    List.of(new TableCell(14.0, null, 1, 1, true, 9.5, 0, 3), new TableCell(null, CellStatus.ABSENT, null, null, null, null, null, null))),
            new TableRow(new StudentRef(2, "S2", "=cmd()", "C", "Tern", 4), 2, "Individual plan",
                    List.of(new TableCell(null, CellStatus.NONE, null, null, null, null, null, null),
                            new TableCell(21.0, null, 0, 3, null, null, null, null)))));

    @Test
    void rowsAndColumnsComeInTheOrderShown() throws IOException {
        assertEquals(List.of(
                "Code,Student,Class,Support,\"Number facts, Winter\",\"Number facts, Winter, band\",\"Maze, Winter\",\"Maze, Winter, band\",\"Maze, Winter, a year before\"",
                "S2,'=cmd(),Tern,Individual plan,21,tier 3,not screened,,",
                "S1,Ada Quill,Tern,,absent,,14,Secure,9.5"), csv(List.of(2, 1), List.of(1, 0), false));
    }

    private static List<String> csv(List<Integer> students, List<Integer> columns, boolean codes) throws IOException {
        TableExport export = new TableExport(VIEW, students, columns, codes, null);
        return DownloadTest.text(Download.csv("table.csv", export::csv)).lines().toList();
    }

    @Test
    void whenHomeWasLastSpokenToStandsBesideWhereItIsShown() throws IOException {
        TableExport export = new TableExport(VIEW, List.of(1, 2), List.of(), false, Map.of(2, LocalDate.of(2026, 3, 2)));
        assertEquals(List.of("Code,Student,Class,Support,Home last spoken to", "S1,Ada Quill,Tern,,", "S2,'=cmd(),Tern,Individual plan,2026-03-02"),
                DownloadTest.text(Download.csv("table.csv", export::csv)).lines().toList());
    }

    @Test
    void hiddenNamesAreLeftOutWithTheirColumn() throws IOException {
        List<String> rows = csv(List.of(1), List.of(0), true);
        assertTrue(rows.get(0).startsWith("Code,Class,Support,"), rows.get(0));
        assertFalse(rows.toString().contains("Ada"));
    }

    @Test
    void whoIsNotInTheViewIsNotInTheFile() throws IOException {
        assertEquals(1, csv(List.of(77), List.of(0), false).size());
        assertThrows(Refusal.class, () -> new TableExport(VIEW, List.of(1), List.of(5), false, null));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        new TableExport(VIEW, List.of(), List.of(0, 1), false, null).xlsx(out);
        byte[] book = out.toByteArray();
        assertTrue(book.length > 500 && book[0] == 'P' && book[1] == 'K', "an empty table is a book with a head");
    }
}
