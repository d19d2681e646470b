package org.zealousladder.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import org.zealousladder.standins.SignInStandIn;
import org.zealousladder.standins.SignInStandIn.Person;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** A stand-in for the school's own sign-in, for trying that. */
@Command(name = "stand-in", description = "A simulated sign-in of the school (OpenID Connect), for trying; stops with Ctrl-C.")
final class StandInCommand implements Callable<Integer> {
    @Option(names = "--port", defaultValue = "8430", description = "where it answers, on loopback (default ${DEFAULT-VALUE})")
    private int port;

    @Option(names = "--ladder", defaultValue = "http://127.0.0.1:8420", description = "the address of Zealous Ladder, as the browser sees it")
    private String ladder;

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec;

    /** Three of the demo, one whom it does not know, and one whose address nobody has checked. */
    static List<Person> people() {
        return List.of(new Person("one", "R. Oduya", "r.oduya@skerrow.example", true), new Person("two", "M. Tveit", "m.tveit@skerrow.example", true),
                new Person("three", "A. Sandvik", "a.sandvik@skerrow.example", true), new Person("four", "Somebody unknown", "nobody@elsewhere.example", true),
                new Person("five", "An unchecked address", "b.calder@skerrow.example", false));
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        try (SignInStandIn standIn = new SignInStandIn(port, people())) {
            PrintWriter out = spec.commandLine().getOut();
            out.printf("The stand-in answers at %s. Start the demo beside it with%n%n", standIn.issuer());
            out.printf(
                    "LADDER_OIDC_ISSUER=%s LADDER_OIDC_CLIENT=%s LADDER_OIDC_SECRET='%s' LADDER_OIDC_NAME='Skerrow sign-in' LADDER_OIDC_ADDRESS=%s ./ladder demo%n",
                    standIn.issuer(), SignInStandIn.CLIENT, SignInStandIn.SECRET, ladder);
            out.flush();
            new CountDownLatch(1).await();
        }
        return 0;
    }
}
