package org.zealousladder.cli;

import java.util.concurrent.Callable;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.people.AccountService;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** Takes the second step at sign-in away from somebody who has lost the device and the codes, at the machine that the server runs on. */
@Command(name = "forget-code", description = "Take the second step at sign-in away from a person.", mixinStandardHelpOptions = true)
final class ForgetCodeCommand implements Callable<Integer> {
    @Parameters(paramLabel = "LOGIN", description = "Sign-in name.")
    private String login;

    @Override
    public Integer call() {
        return ServerParts.use(context -> {
            try {
                context.getBean(AccountService.class).forgetFactor(login);
                System.out.println(login + " signs in by the password alone, and can set up a second step anew.");
                return 0;
            } catch (Refusal e) {
                System.err.println(e.getMessage());
                return 2;
            }
        });
    }
}
