package org.zealousladder.cli.rows;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import org.zealousladder.server.exchange.records.csv.CsvFile;
import org.zealousladder.server.platform.files.Cells;

/** Where the columns of a file are. */
public final class Columns {
    private static final int DAYS_KEPT = 5000;
    private final Map<String, Integer> positions = new HashMap<>();
    /** Millions of rows are of some hundred days. */
    private final Map<String, LocalDate> days = new HashMap<>();

    /** @throws BadCsvException naming the columns that are missing */
    public Columns(CsvFile file, String what, String... required) throws BadCsvException {
        for (int i = 0; i < file.header().size(); i++) {
            positions.put(file.header().get(i), i);
        }
        List<String> missing = Arrays.stream(required).filter(c -> !positions.containsKey(c)).toList();
        if (!missing.isEmpty()) {
            throw new BadCsvException("The first row of the " + what + " file lacks: " + String.join(", ", missing)
                    + ". It names: " + String.join(", ", file.header()) + ".");
        }
    }

    Integer of(String column) {
        return positions.get(column);
    }

    /** @throws IllegalArgumentException for what is no day */
    LocalDate date(String text) {
        LocalDate day = days.get(text);
        if (day == null) {
            day = Cells.date(text);
            if (days.size() < DAYS_KEPT) {
                days.put(text, day);
            }
        }
        return day;
    }
}
