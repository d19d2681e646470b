package org.zealousladder.cli;

import java.util.concurrent.Callable;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.people.PeopleService;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Sets a person's password from the shell of the machine the server runs on. */
@Command(name = "password", description = "Set a person's password.", mixinStandardHelpOptions = true)
final class PasswordCommand implements Callable<Integer> {
    @Parameters(paramLabel = "LOGIN", description = "Sign-in name.")
    private String login;

    @Option(names = "--password", interactive = true, arity = "0..1", required = true, prompt = "New password: ",
            description = "Asked for when no value is given.")
    private String password;

    @Override
    public Integer call() {
        return ServerParts.use(context -> {
            try {
                context.getBean(PeopleService.class).setPassword(login, password);
                System.out.println("The password of " + login + " is set.");
                return 0;
            } catch (Refusal e) {
                System.err.println(e.getMessage());
                return 2;
            }
        });
    }
}
