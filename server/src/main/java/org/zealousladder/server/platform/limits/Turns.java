package org.zealousladder.server.platform.limits;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bandwidth;
import io.github.bucket4j.Bucket;
import io.github.bucket4j.ConsumptionProbe;
import java.time.Duration;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.http.HttpStatus;
import org.zealousladder.server.platform.problems.Refusal;

/** How often, and how many at once, one sender may ask. A sender is a person, or where nobody has signed in an address. */
public final class Turns {
    /**
     * What one sender may.
     *
     * @param burst requests at once after a rest
     * @param perSecond what is given back
     * @param together requests that are being answered at the same time
     */
    public record Allowance(int burst, int perSecond, int together) {
        /** As much more, shared out among so many servers. */
        public Allowance times(int pace, int servers) {
            return new Allowance(part(burst * pace, servers), part(perSecond * pace, servers), part(together * pace, servers));
        }

        private static int part(int whole, int servers) {
            return (whole + servers - 1) / servers;
        }
    }

    /** A page asks for one thing a view, and sends a score a keystroke at the quickest. */
    static final Allowance PERSON = new Allowance(400, 40, 12);
    /** A whole school may sign in from one address at the same moment of a Monday morning; of the threads two thirds are left to others. */
    static final Allowance ADDRESS = new Allowance(300, 20, 64);
    /** A program of another kind sends by the hundred, in lists. */
    public static final Allowance PROGRAM = new Allowance(300, 30, 4);
    /** Sleepers are forgotten after this. */
    private static final Duration REST = Duration.ofMinutes(10);
    private static final int MOST_SENDERS = 50_000;

    private record Sender(Bucket bucket, Semaphore together) {}

    private final Allowance allowance;
    private final LoadingCache<String, Sender> senders;

    public Turns(Allowance allowance) {
        this.allowance = allowance;
        this.senders = Caffeine.newBuilder().expireAfterAccess(REST).maximumSize(MOST_SENDERS).build(key -> fresh());
    }

    private Sender fresh() {
        return new Sender(Bucket.builder().addLimit(Bandwidth.builder().capacity(allowance.burst())
                .refillGreedy(allowance.perSecond(), Duration.ofSeconds(1)).build()).build(), new Semaphore(allowance.together()));
    }

    /** Given back when the request is answered. */
    public interface Turn extends AutoCloseable {
        @Override
        void close();
    }

    /** @throws Refusal 429 with the seconds to wait */
    public Turn take(String sender) {
        Sender of = senders.get(sender);
        ConsumptionProbe probe = of.bucket().tryConsumeAndReturnRemaining(1);
        if (!probe.isConsumed()) {
            throw tooMany(1 + TimeUnit.NANOSECONDS.toSeconds(probe.getNanosToWaitForRefill()));
        }
        if (!of.together().tryAcquire()) {
            throw tooMany(1);
        }
        return of.together()::release;
    }

    private static Refusal tooMany(long seconds) {
        return new Refusal(HttpStatus.TOO_MANY_REQUESTS, "too-many", null, "Too much was asked for at once. Wait a moment and try again; nothing was saved.")
                .retryAfter(seconds);
    }
}
