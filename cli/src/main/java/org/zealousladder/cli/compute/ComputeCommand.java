package org.zealousladder.cli.compute;

import picocli.CommandLine;
import picocli.CommandLine.Command;

/** Computations by themselves. */
@Command(name = "compute", mixinStandardHelpOptions = true, description = "One computation alone, from files.",
        subcommands = {EngagementCommand.class, SkillsCommand.class, ItemsCommand.class, GroupsCommand.class, BandsCommand.class, LooksCommand.class})
public final class ComputeCommand implements Runnable {
    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec;

    @Override
    public void run() {
        throw new CommandLine.ParameterException(spec.commandLine(), "say what to compute: engagement, skills, items, groups, bands or looks");
    }
}
