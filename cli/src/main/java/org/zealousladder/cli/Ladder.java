package org.zealousladder.cli;

import org.zealousladder.cli.compute.ComputeCommand;
import org.zealousladder.cli.fit.FitCommand;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** Entry point. Only the sub-commands that need the server's parts start Spring. */
@Command(name = "ladder", description = "Tracks scores, fits trends against goals and proposes what to decide.",
        mixinStandardHelpOptions = true, version = "Zealous Ladder 0.1.0",
        subcommands = {ServeCommand.class, MigrateCommand.class, FitCommand.class, ComputeCommand.class, ImportCommand.class, DemoDataCommand.class,
                DemoLoadCommand.class, FindCommand.class,
                PasswordCommand.class, ForgetCodeCommand.class, StandInCommand.class, SimulateActivityCommand.class})
public final class Ladder implements Runnable {
    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec;

    public static void main(String[] args) {
        CommandLine command = new CommandLine(new Ladder());
        command.setExecutionExceptionHandler((e, line, result) -> {
            Throwable deepest = e;
            while (deepest.getCause() != null) {
                deepest = deepest.getCause();
            }
            line.getErr().println((e.getMessage() == null ? e.toString() : e.getMessage())
                    + (deepest == e ? "" : "\n  because: " + deepest.getMessage()));
            return 1;
        });
        int code = command.execute(args);
        // The server goes on in its own threads.
        if (code != ServeCommand.RUNNING) {
            System.exit(code);
        }
    }

    @Override
    public void run() {
        spec.commandLine().usage(System.out);
    }
}
