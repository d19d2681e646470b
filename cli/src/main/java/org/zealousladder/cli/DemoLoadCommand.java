package org.zealousladder.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import org.zealousladder.demo.DemoFiles;
import org.zealousladder.server.engagement.xapi.SampleSender;
import org.zealousladder.server.exchange.records.ImportService;
import org.zealousladder.server.learning.checks.SampleCheck;
import org.zealousladder.server.school.people.AccountService;
import org.zealousladder.server.school.people.PeopleService;
import org.zealousladder.server.school.roster.ClassRef;
import org.zealousladder.server.school.roster.RosterService;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Writes the demo's files and brings them in by the ordinary way. */
@Command(name = "demo-load", description = "Write the demo's files into a folder and bring them in.", mixinStandardHelpOptions = true)
final class DemoLoadCommand implements Callable<Integer> {
    @Parameters(paramLabel = "FOLDER")
    private Path folder;

    @Option(names = "--size", defaultValue = "skerrow", description = "skerrow or district (default: skerrow).")
    private String size;

    @Option(names = "--password", description = "Password for the sample people.")
    private String password;

    @Override
    public Integer call() throws IOException {
        List<Path> files = DemoFiles.write(folder, DemoFiles.Size.valueOf(size.toUpperCase(java.util.Locale.ROOT)));
        return ServerParts.use(context -> {
            ImportService imports = context.getBean(ImportService.class);
            boolean refused = false;
            for (Path file : files) {
                refused |= ImportCommand.bringIn(imports, file, false, null, false);
            }
            if (password != null) {
                PeopleService people = context.getBean(PeopleService.class);
                AccountService accounts = context.getBean(AccountService.class);
                people.samples().forEach(p -> accounts.setPassword(p.login(), password));
            }
            context.getBean(RosterService.class).classes().stream().map(ClassRef::schoolId).findFirst().ifPresent(context.getBean(SampleSender.class)::make);
            context.getBean(SampleCheck.class).give("Words and meaning", "Kittiwake");
            return refused ? 1 : 0;
        });
    }
}
