package org.zealousladder.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import org.zealousladder.core.Coded;
import org.zealousladder.server.exchange.records.ImportResult;
import org.zealousladder.server.exchange.records.ImportService;
import org.zealousladder.server.platform.files.Forms;
import org.zealousladder.server.platform.problems.Refusal;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Brings files in, each in a transaction of its own, by the same way as the interface. */
@Command(name = "import",
        description = "Bring files in, in the order given: CSV, XLSX, or a ZIP of such (a OneRoster bundle). The kind of each is read from its first row.",
        mixinStandardHelpOptions = true)
final class ImportCommand implements Callable<Integer> {
    @Parameters(arity = "1..*", paramLabel = "FILE", description = "CSV files; see docs/formats.md.")
    private List<Path> files;

    @Option(names = "--preview", description = "Say what would happen and write nothing.")
    private boolean preview;

    @Option(names = "--days", description = "Which part comes first in days like 05/09/2025, where the file does not tell: day-first or month-first.")
    private String days;

    @Option(names = "--many-end", description = "Take a roster although more than one in ten of what came from there is no longer in it, and ends.")
    private boolean manyEnd;

    @Override
    public Integer call() {
        for (Path file : files) {
            if (!Files.isReadable(file)) {
                System.err.println(file + ": there is no such file, or it cannot be read. Nothing was brought in.");
                return 2;
            }
        }
        Forms.DayForm first;
        try {
            first = days == null ? null : Coded.of(Forms.DayForm.class, days, "a way to write days");
        } catch (IllegalArgumentException e) {
            System.err.println(e.getMessage());
            return 2;
        }
        return ServerParts.use(context -> {
            ImportService imports = context.getBean(ImportService.class);
            boolean refused = false;
            for (Path file : files) {
                try {
                    refused |= bringIn(imports, file, preview, first, manyEnd);
                } catch (Refusal e) {
                    System.err.println(file.getFileName() + ": " + e.getMessage());
                    return 2;
                }
            }
            return refused ? 2 : 0;
        });
    }

    /** @return whether rows were refused */
    static boolean bringIn(ImportService imports, Path file, boolean preview, Forms.DayForm days, boolean manyEnd) {
        long start = System.nanoTime();
        ImportResult r = preview ? imports.look(file, days) : imports.take(file, days, manyEnd);
        System.out.printf(Locale.ROOT, "%s: %s, %d new, %d changed, %d unchanged, %d refused%s (%.1f s)%n", file.getFileName(), r.label(), r.added(),
                r.changed(), r.unchanged(), r.refused(), preview ? "; nothing written" : "", (System.nanoTime() - start) / 1e9);
        r.files().stream().map(f -> f.forms().unusual()).filter(u -> !u.isEmpty()).forEach(u -> System.out.println("  read with " + String.join(", ", u)));
        r.endings().forEach(e -> System.out.println("  ends " + e.ended() + " of " + e.current() + " " + e.what()));
        r.notices().forEach(n -> System.out.println("  " + n));
        r.refusals().forEach(x -> System.out.println("  row " + x.row() + (x.column().isEmpty() ? "" : ", column " + x.column()) + ": " + x.message()));
        if (r.refused() > 0 && r.refusals().size() < r.refused()) {
            System.out.println("  and more.");
        }
        return r.refused() > 0;
    }
}
