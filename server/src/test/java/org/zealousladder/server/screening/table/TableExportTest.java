package org.zealousladder.server.screening.table;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.words.CsvAnswer;
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
    void rowsAndColumnsComeInTheOrderShown() {
        assertEquals(List.of(
                List.of("Code", "Student", "Class", "Support", "Number facts, Winter", "Number facts, Winter, band", "Maze, Winter", "Maze, Winter, band",
                        "Maze, Winter, a year before"),
                List.of("S2", "=cmd()", "Tern", "Individual plan", "21", "tier 3", "not screened", "", ""),
                List.of("S1", "Ada Quill", "Tern", "", "absent", "", "14", "Secure", "9.5")),
                new TableExport(VIEW, List.of(2, 1), List.of(1, 0), false).csv());
        String file = CsvAnswer.text(new TableExport(VIEW, List.of(2), List.of(1), false).csv());
        assertTrue(file.contains("S2,'=cmd(),Tern"), file);
    }

    @Test
    void hiddenNamesAreLeftOutWithTheirColumn() {
        List<List<String>> rows = new TableExport(VIEW, List.of(1), List.of(0), true).csv();
        assertEquals(List.of("Code", "Class", "Support"), rows.get(0).subList(0, 3));
        assertFalse(rows.toString().contains("Ada"));
    }

    @Test
    void whoIsNotInTheViewIsNotInTheFile() {
        assertEquals(1, new TableExport(VIEW, List.of(77), List.of(0), false).csv().size());
        assertThrows(Refusal.class, () -> new TableExport(VIEW, List.of(1), List.of(5), false));
        byte[] book = new TableExport(VIEW, List.of(), List.of(0, 1), false).xlsx();
        assertTrue(book.length > 500 && book[0] == 'P' && book[1] == 'K', "an empty table is a book with a head");
    }
}
