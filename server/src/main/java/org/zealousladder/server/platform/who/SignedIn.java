package org.zealousladder.server.platform.who;

import java.io.Serializable;
import java.time.Duration;
import java.time.Instant;

/** When a session's person signed in; the authentication's details in a session. */
public record SignedIn(Instant at) implements Serializable {
    /** However busy it is, a session ends after this. */
    public static final Duration LONGEST = Duration.ofHours(12);

    public boolean over(Instant now) {
        return !now.isBefore(at.plus(LONGEST));
    }
}
