package org.zealousladder.demo;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/** Writes the demo's files into a folder. */
public final class DemoFiles {
    /** The day on which the demo opens. */
    public static final LocalDate TODAY = LocalDate.of(2026, 3, 13);

    private DemoFiles() {}

    /** Which demo. */
    public enum Size {
        SKERROW,
        DISTRICT
    }

    /** Writes the files and gives them in the order in which they must be brought in. */
    public static List<Path> write(Path folder, Size size) throws IOException {
        Files.createDirectories(folder);
        List<Path> files;
        try (Sheets sheets = new Sheets(folder)) {
            Calendar.write(sheets);
            MeasureBook.write(sheets);
            if (size == Size.SKERROW) {
                new Skerrow(sheets).write();
            } else {
                new District(sheets).write();
            }
            files = sheets.files();
        }
        if (size == Size.DISTRICT) {
            return files;
        }
        // The roster comes as an office would send it; what that has no words for (support, administrators) by our own files.
        List<Path> all = new ArrayList<>(List.of(RosterBundle.write(folder)));
        files.stream().filter(f -> !RosterBundle.COVERED.contains(f.getFileName().toString())).forEach(all::add);
        return all;
    }
}
