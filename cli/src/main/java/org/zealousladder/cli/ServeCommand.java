package org.zealousladder.cli;

import java.io.IOException;
import java.util.concurrent.Callable;
import org.springframework.boot.SpringApplication;
import org.zealousladder.server.LadderServer;
import org.zealousladder.standins.MailStandIn;
import picocli.CommandLine.Command;

/** Runs the server until it is stopped. The demo has a stand-in for a mail server beside it, unless a real one is named. */
@Command(name = "serve", description = "Run the server. Settings come from LADDER_* variables; './ladder start' gives them.")
final class ServeCommand implements Callable<Integer> {
    static final int RUNNING = -1;

    @Override
    public Integer call() throws IOException {
        String host = System.getenv("LADDER_MAIL_HOST");
        if (Boolean.parseBoolean(System.getenv("LADDER_DEMO")) && (host == null || host.isBlank())) {
            MailStandIn mail = new MailStandIn(0, 0);
            System.setProperty("ladder.mail.host", "127.0.0.1");
            System.setProperty("ladder.mail.port", String.valueOf(mail.port()));
            System.setProperty("ladder.mail.tls", "false");
            System.setProperty("ladder.mail.page", mail.address());
            String port = System.getenv("LADDER_PORT");
            System.setProperty("ladder.mail.links", "http://127.0.0.1:" + (port == null ? "8410" : port));
        }
        SpringApplication.run(LadderServer.class);
        return RUNNING;
    }
}
