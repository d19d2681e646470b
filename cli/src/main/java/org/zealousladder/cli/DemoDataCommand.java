package org.zealousladder.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.zealousladder.demo.DemoFiles;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Writes the demo's files. */
@Command(name = "demo-data", description = "Write the demo's CSV files into a folder.", mixinStandardHelpOptions = true)
final class DemoDataCommand implements Callable<Integer> {
    @Parameters(paramLabel = "FOLDER")
    private Path folder;

    @Option(names = "--size", defaultValue = "skerrow", description = "skerrow or district (default: skerrow).")
    private String size;

    @Override
    public Integer call() throws IOException {
        DemoFiles.write(folder, DemoFiles.Size.valueOf(size.toUpperCase(java.util.Locale.ROOT))).forEach(System.out::println);
        return 0;
    }
}
