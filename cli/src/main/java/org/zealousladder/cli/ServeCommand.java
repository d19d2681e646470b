package org.zealousladder.cli;

import java.util.concurrent.Callable;
import org.springframework.boot.SpringApplication;
import org.zealousladder.server.LadderServer;
import picocli.CommandLine.Command;

/** Runs the server until it is stopped. */
@Command(name = "serve", description = "Run the server. Settings come from LADDER_* variables; './ladder start' gives them.")
final class ServeCommand implements Callable<Integer> {
    static final int RUNNING = -1;

    @Override
    public Integer call() {
        SpringApplication.run(LadderServer.class);
        return RUNNING;
    }
}
