package org.zealousladder.bench;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/**
 * Writes a workbook as large as they come: a million rows of results under a school's own headings, with remarks, of the district's students. Arguments: where to, and
 * the district's {@code students.csv}.
 */
public final class BigWorkbook {
    private static final int ROWS = 1_000_000;
    private static final int FLUSH = 2_000;
    private static final List<String> HEADINGS = List.of("Pupil no", "Test", "Taken", "Result", "Remark");

    private BigWorkbook() {}

    public static void main(String[] arguments) throws IOException {
        List<String> codes;
        try (Stream<String> lines = Files.lines(Path.of(arguments[1]))) {
            codes = lines.skip(1).map(l -> l.substring(0, l.indexOf(','))).toList();
        }
        Random random = new Random(50);
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(Path.of(arguments[0]))); Workbook book = new Workbook(out, "Office", "1.0")) {
            Worksheet sheet = book.newWorksheet("Results");
            for (int c = 0; c < HEADINGS.size(); c++) {
                sheet.value(0, c, HEADINGS.get(c));
            }
            for (int r = 1; r <= ROWS; r++) {
                sheet.value(r, 0, codes.get(r % codes.size()));
                sheet.value(r, 1, "Maze");
                sheet.value(r, 2, LocalDate.of(2026, 1, 5).plusDays(r / codes.size()).toString());
                if (r % 40 == 0) {
                    sheet.value(r, 3, "ABS");
                } else {
                    sheet.value(r, 3, random.nextInt(61));
                }
                // What nobody reads takes most of the room.
                sheet.inlineString(r, 4, Long.toString(random.nextLong(), 36) + " " + Long.toString(random.nextLong(), 36) + " "
                        + Long.toString(random.nextLong(), 36));
                if (r % FLUSH == 0) {
                    sheet.flush();
                }
            }
        }
        System.out.printf("%d%n", Files.size(Path.of(arguments[0])));
    }
}
