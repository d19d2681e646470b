package org.zealousladder.server.contacts.outbox;

import org.jspecify.annotations.Nullable;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * The mail server under {@code ladder.mail}.
 *
 * @param host empty: there is none, and nothing is written
 * @param from the address that letters come from; answers go to who wrote them
 * @param tls whether the connection has to be encrypted (STARTTLS); no for a server on the same machine
 * @param page where a stand-in shows what went out; empty for a real server
 * @param links the address of this program as its readers see it, for links in letters; empty: letters have none
 * @param pause seconds before a letter goes out, in which it can still be stopped
 */
@ConfigurationProperties("ladder.mail")
public record MailProperties(@Nullable String host, @DefaultValue("587") int port, @Nullable String user, @Nullable String password,
        @DefaultValue("ladder@localhost.localdomain") String from, @DefaultValue("true") boolean tls, @Nullable String page, @Nullable String links,
        @DefaultValue("20") int pause) {

    /** Whether there is a server. */
    public boolean set() {
        return host != null && !host.isBlank();
    }
}
