package org.zealousladder.server.platform.who;

import java.io.Serializable;
import java.time.Duration;
import java.time.Instant;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;

/**
 * When a session's person signed in; the authentication's details in a session.
 *
 * @param bothSteps whether that way in was two steps in one: a passkey, or the school's own sign-in, whose matter it is
 */
public record SignedIn(Instant at, boolean bothSteps) implements Serializable {
    /** However busy it is, a session ends after this. */
    public static final Duration LONGEST = Duration.ofHours(12);

    /** How whoever asks has signed in. */
    public static boolean withBothSteps() {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        return who != null && who.getDetails() instanceof SignedIn how && how.bothSteps();
    }

    public boolean over(Instant now) {
        return !now.isBefore(at.plus(LONGEST));
    }
}
