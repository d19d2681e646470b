package org.zealousladder.cli;

import java.io.IOException;
import java.util.concurrent.Callable;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.people.AccountService;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** Sets a person's password from the shell of the machine the server runs on. It is asked for, never given on the command line. */
@Command(name = "password", description = "Set a person's password.", mixinStandardHelpOptions = true)
final class PasswordCommand implements Callable<Integer> {
    @Parameters(paramLabel = "LOGIN", description = "Sign-in name.")
    private String login;

    @Override
    public Integer call() throws IOException {
        // Only at a terminal, or from a pipe: what stands on a command line is read by others.
        String password = NewPassword.ask(System.console(), System.in);
        return ServerParts.use(context -> {
            try {
                context.getBean(AccountService.class).setPassword(login, password);
                System.out.println("The password of " + login + " is set.");
                return 0;
            } catch (Refusal e) {
                System.err.println(e.getMessage());
                return 2;
            }
        });
    }
}
