package org.zealousladder.cli;

import java.util.List;
import java.util.function.Function;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.zealousladder.server.LadderServer;
import org.zealousladder.server.platform.who.Viewer;

/** The server's parts without its web side, used as the command line's own person. */
final class ServerParts {
    private ServerParts() {}

    static <T> T use(Function<ConfigurableApplicationContext, T> work) {
        try (ConfigurableApplicationContext context = new SpringApplicationBuilder(LadderServer.class)
                .web(WebApplicationType.NONE).logStartupInfo(false).run()) {
            SecurityContextHolder.getContext().setAuthentication(
                    UsernamePasswordAuthenticationToken.authenticated(Viewer.SYSTEM, null, List.of()));
            try {
                return work.apply(context);
            } finally {
                SecurityContextHolder.clearContext();
            }
        }
    }
}
