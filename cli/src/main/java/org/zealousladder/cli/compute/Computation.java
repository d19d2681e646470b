package org.zealousladder.cli.compute;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine;
import picocli.CommandLine.Option;

/** What every computation from files is asked for, and how it refuses. */
abstract class Computation implements Callable<Integer> {
    @Option(names = "--skip-bad", description = "Compute the good rows and list the bad ones under 'problems'.")
    boolean skipBad;

    @Option(names = "--format", defaultValue = "json", description = "json (default); table where a command has one.")
    String format;

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec;

    /** @throws CommandLine.ParameterException for a format that is none of these */
    void requireFormat(List<String> formats) {
        if (!formats.contains(format)) {
            throw wrong("'" + format + "' is not a format; use " + String.join(" or ", formats));
        }
    }

    /** @throws IllegalArgumentException for a file that is not there */
    static Path readable(Path file) {
        if (!Files.isReadable(file) || Files.isDirectory(file)) {
            throw new IllegalArgumentException(file + ": there is no such file, or it cannot be read");
        }
        return file;
    }

    CommandLine.ParameterException wrong(String sentence) {
        return new CommandLine.ParameterException(spec.commandLine(), sentence);
    }
}
