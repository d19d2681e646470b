package org.zealousladder.cli;

import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import java.util.concurrent.Callable;
import org.zealousladder.server.engagement.xapi.SampleSender;
import org.zealousladder.standins.ActivitySender;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** An invented program that tells what students do in it. */
@Command(name = "simulate-activity", description = "Send what students do in an invented program (xAPI) to a running Zealous Ladder; by itself, to the demo.",
        mixinStandardHelpOptions = true)
final class SimulateActivityCommand implements Callable<Integer> {
    @Option(names = "--to", defaultValue = "http://127.0.0.1:8420", description = "the address (default ${DEFAULT-VALUE})")
    private String to;

    @Option(names = "--key", defaultValue = SampleSender.KEY, description = "the sending program's key (default: the demo's)")
    private String key;

    @Option(names = "--secret", defaultValue = SampleSender.SECRET, description = "its secret (default: the demo's)")
    private String secret;

    @Option(names = "--students", split = ",", defaultValue = "S1052,S1053,S1054,S1055,S1056", description = "codes of students (default ${DEFAULT-VALUE})")
    private List<String> students;

    @Option(names = "--statements", defaultValue = "200", description = "how many (default ${DEFAULT-VALUE})")
    private int howMany;

    @Option(names = "--day", defaultValue = "2026-03-13", description = "of which day they tell (default: the demo's today)")
    private LocalDate day;

    @Option(names = "--seed", defaultValue = "1", description = "the same seed sends the same (default ${DEFAULT-VALUE})")
    private long seed;

    @Option(names = "--cut", description = "break off in the middle of the first list instead")
    private boolean cut;

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec;

    @Override
    public Integer call() throws IOException, InterruptedException {
        ActivitySender sender = new ActivitySender(to, key, secret);
        List<String> all = ActivitySender.morning(students, howMany, day, seed);
        if (cut) {
            sender.cutOff(all);
            spec.commandLine().getOut().println("Broke off in the middle of " + all.size() + " statements.");
            return 0;
        }
        spec.commandLine().getOut().println(sender.send(all) + " statements were taken. Sent once more, they change nothing.");
        return 0;
    }
}
