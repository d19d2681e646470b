package org.zealousladder.server.school.people;

import java.time.Duration;
import java.time.Instant;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * How long to wait before the next try. Wrong passwords never block an account: each one beyond the free ones doubles a pause, up to a longest.
 * The pause is long for one place at one account, and short for the account as a whole and for a place as a whole, so that a stranger can delay
 * somebody else's sign-in by a minute and not more; a known device is a place of its own and is not delayed by others at all.
 */
public final class SignInPauses {
    /** One place at one account. */
    static final Rule HERE = new Rule(4, Duration.ofSeconds(5), Duration.ofMinutes(15));
    /** An account, from all places that are not known devices. */
    static final Rule ACCOUNT = new Rule(30, Duration.ofSeconds(5), Duration.ofMinutes(1));
    /** A place, at all accounts: a school may share one address. */
    public static final Rule PLACE = new Rule(60, Duration.ofSeconds(5), Duration.ofMinutes(5));
    /** After this a wrong password is forgotten. */
    public static final Duration MEMORY = Duration.ofHours(12);

    private SignInPauses() {}

    /** Some failures and when the last one was; null when there is none. */
    public record Failures(int count, @Nullable Instant last) {}

    /** @param free failures without a pause */
    public record Rule(int free, Duration first, Duration longest) {
        Duration pause(int failures) {
            if (failures <= free) {
                return Duration.ZERO;
            }
            int doublings = Math.min(failures - free - 1, 20);
            Duration pause = first.multipliedBy(1L << doublings);
            return pause.compareTo(longest) > 0 ? longest : pause;
        }

        public Duration left(Failures failures, Instant now) {
            if (failures.last() == null) {
                return Duration.ZERO;
            }
            Duration left = Duration.between(now, failures.last().plus(pause(failures.count())));
            return left.isNegative() ? Duration.ZERO : left;
        }
    }

    /** What is on record about an account and a place; {@code account} and {@code place} are not counted against a known device. */
    record Record(Failures here, Failures account, Failures place) {}

    static Duration left(Record r, boolean knownDevice, Instant now) {
        Duration here = HERE.left(r.here(), now);
        return knownDevice ? here : Stream.of(here, ACCOUNT.left(r.account(), now), PLACE.left(r.place(), now)).max(Duration::compareTo).orElseThrow();
    }
}
