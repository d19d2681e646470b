package org.zealousladder.server.exchange.records;

import java.util.Comparator;
import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;

/** All kinds of files that the capabilities declare, and which one a header row is. */
@Component
class ImportKinds {
    private final List<FileKind> all;

    ImportKinds(List<DeclaresFiles> declared) {
        all = declared.stream().flatMap(d -> d.files().stream()).sorted(Comparator.comparing(FileKind::label)).toList();
    }

    /** By their label. */
    List<FileKind> all() {
        return all;
    }

    FileKind named(String code) {
        return all.stream().filter(k -> k.code().equals(code)).findFirst().orElseThrow();
    }

    /**
     * The kind whose columns are all there, the one with most of them if several are.
     *
     * @throws BadCsvException naming what is missing for the nearest kind
     */
    FileKind of(List<String> header) throws BadCsvException {
        return all.stream().filter(k -> missing(k, header).isEmpty()).max(Comparator.comparingLong(k -> matched(k, header)))
                .orElseThrow(() -> unknown(header));
    }

    private BadCsvException unknown(List<String> header) {
        FileKind nearest = all.stream()
                .max(Comparator.comparingDouble(k -> matched(k, header) - missing(k, header).size())).orElseThrow();
        String found = "The first row names the columns " + String.join(", ", header) + ".";
        if (matched(nearest, header) == 0) {
            return new BadCsvException(found + " That is none of the files we know. A file of scores has: student, measure, date, score.");
        }
        return new BadCsvException(found + " For a file of " + nearest.label() + " it lacks: " + String.join(", ", missing(nearest, header)) + ".");
    }

    private static List<String> missing(FileKind kind, List<String> header) {
        return kind.columns().stream().filter(c -> c.required() && !header.contains(c.name())).map(Column::name).toList();
    }

    private static long matched(FileKind kind, List<String> header) {
        return kind.columns().stream().filter(c -> header.contains(c.name())).count();
    }
}
