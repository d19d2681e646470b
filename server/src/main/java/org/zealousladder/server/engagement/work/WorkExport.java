package org.zealousladder.server.engagement.work;

import java.io.IOException;
import java.io.OutputStream;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.work.WorkState;
import org.zealousladder.server.engagement.work.WorkView.PieceColumn;
import org.zealousladder.server.engagement.work.WorkView.WorkCell;
import org.zealousladder.server.engagement.work.WorkView.WorkRow;
import org.zealousladder.server.platform.downloads.CsvRows;
import org.zealousladder.server.platform.downloads.SheetRows;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.SpokenHome;

/** What is shown, to take along. */
final class WorkExport {
    private final WorkView view;
    private final List<PieceColumn> columns;
    private final boolean codes;
    private final @Nullable Map<Integer, LocalDate> spoken;

    /** @param hidden columns that are left out; @param codes whether names are hidden @param spoken when home was last spoken to; null where that is not shown */
    WorkExport(WorkView view, List<Integer> hidden, boolean codes, @Nullable Map<Integer, LocalDate> spoken) {
        this.spoken = spoken;
        this.view = view;
        this.codes = codes;
        columns = view.pieces().stream().filter(p -> !hidden.contains(p.id())).toList();
    }

    void csv(CsvRows out) {
        out.add(heads());
        view.rows().forEach(r -> out.add(cells(r).stream().map(c -> c instanceof Double d ? Words.plain(d) : c.toString()).toList()));
    }

    void xlsx(OutputStream out) throws IOException {
        try (Workbook book = new Workbook(out, "ZealousLadder", "1.0")) {
            Worksheet sheet = book.newWorksheet("Work");
            sheet.freezePane(codes ? 2 : 3, 1);
            SheetRows.put(sheet, 0, heads());
            for (int i = 0; i < view.rows().size(); i++) {
                SheetRows.put(sheet, i + 1, cells(view.rows().get(i)));
            }
        }
    }

    private List<String> heads() {
        List<String> heads = new ArrayList<>(List.of("Code"));
        if (!codes) {
            heads.add("Student");
        }
        heads.addAll(List.of("Class", "Points so far", "Points of all work", "Share earned of what was marked", "Share handed in of what was due", "Mark",
                "Not in"));
        if (spoken != null) {
            heads.add(SpokenHome.COLUMN);
        }
        columns.forEach(p -> heads.add(p.title() + ", due " + p.due() + ", of " + Words.plain(p.possible())));
        return heads;
    }

    private List<Object> cells(WorkRow r) {
        List<Object> cells = new ArrayList<>(List.of(r.student().code()));
        if (!codes) {
            cells.add(r.student().name());
        }
        cells.addAll(List.of(r.student().className(), r.soFar(), r.ofAll(), orNothing(r.earned()), orNothing(r.attempted()), r.mark() == null ? "" : r.mark(),
                (double) r.missing()));
        if (spoken != null) {
            LocalDate last = spoken.get(r.student().id());
            cells.add(last == null ? "" : last.toString());
        }
        Map<Integer, WorkCell> byPiece = r.cells().stream().collect(Collectors.toMap(WorkCell::piece, c -> c));
        columns.forEach(p -> {
            WorkCell c = byPiece.get(p.id());
            cells.add(c == null ? "not theirs" : c.state() == WorkState.MARKED ? orNothing(c.points()) : c.state().code());
        });
        return cells;
    }

    private static Object orNothing(@Nullable Double value) {
        return value == null ? "" : Double.valueOf(Math.round(value * 10_000) / 10_000.0);
    }
}
