package org.zealousladder.server.exchange.records;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.zealousladder.server.exchange.records.csv.BadCsvException;

/** All kinds of files, and which one a header row is. */
final class ImportKinds {
    static final List<ImportKind> ALL = Stream.of(ScoreKinds.all(), PlanKinds.all(), ReadingKinds.all(), RosterKinds.all(), MeasureKinds.all(), NormKinds.all()).flatMap(List::stream).toList();

    private ImportKinds() {}

    /**
     * The kind whose columns are all there, the one with most of them if several are.
     *
     * @throws BadCsvException naming what is missing for the nearest kind
     */
    static ImportKind of(List<String> header) throws BadCsvException {
        return ALL.stream().filter(k -> missing(k, header).isEmpty()).max(Comparator.comparingLong(k -> matched(k, header)))
                .orElseThrow(() -> unknown(header));
    }

    private static BadCsvException unknown(List<String> header) {
        ImportKind nearest = ALL.stream()
                .max(Comparator.comparingDouble(k -> matched(k, header) - missing(k, header).size())).orElseThrow();
        String found = "The first row names the columns " + String.join(", ", header) + ".";
        if (matched(nearest, header) == 0) {
            return new BadCsvException(found + " That is none of the files we know. A file of scores has: student, measure, date, score.");
        }
        return new BadCsvException(found + " For a file of " + nearest.label() + " it lacks: " + String.join(", ", missing(nearest, header)) + ".");
    }

    private static List<String> missing(ImportKind kind, List<String> header) {
        return kind.columns().stream().filter(c -> c.required() && !header.contains(c.name())).map(Column::name).toList();
    }

    private static long matched(ImportKind kind, List<String> header) {
        return kind.columns().stream().filter(c -> header.contains(c.name())).count();
    }
}
