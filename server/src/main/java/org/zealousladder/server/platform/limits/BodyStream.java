package org.zealousladder.server.platform.limits;

import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import java.io.IOException;
import java.time.Duration;
import java.util.function.LongSupplier;
import org.springframework.http.HttpStatus;
import org.zealousladder.server.platform.problems.Refusal;

/** What a sender sends, as far as it is let: up to a size, and not slower than a pace, since a thread waits for it. */
final class BodyStream extends ServletInputStream {
    /** Time to begin in, before the pace counts. */
    static final Duration GRACE = Duration.ofSeconds(10);
    /** A telephone in a poor place sends ten times as fast. */
    static final long LEAST_PER_SECOND = 1024;

    private final ServletInputStream in;
    private final LongSupplier nanos;
    private final long began;
    private long most;
    private long read;

    BodyStream(ServletInputStream in, long most, LongSupplier nanos) {
        this.in = in;
        this.most = most;
        this.nanos = nanos;
        this.began = nanos.getAsLong();
    }

    /** Lets less through than was said before. */
    void atMost(long bytes) {
        most = Math.min(most, bytes);
    }

    @Override
    public int read() throws IOException {
        int b = in.read();
        count(b < 0 ? 0 : 1);
        return b;
    }

    @Override
    public int read(byte[] into, int from, int length) throws IOException {
        int n = in.read(into, from, length);
        count(Math.max(0, n));
        return n;
    }

    private void count(int more) {
        read += more;
        if (read > most) {
            throw tooLarge(most);
        }
        if (tooSlow(nanos.getAsLong() - began, read)) {
            throw new Refusal(HttpStatus.REQUEST_TIMEOUT, "too-slow", null,
                    "What was sent came in so slowly that it was not waited for. Nothing was saved; try again with a better connection.");
        }
    }

    /** Whether so few bytes in so many nanoseconds are slower than is waited for. */
    static boolean tooSlow(long nanos, long read) {
        long seconds = (nanos - GRACE.toNanos()) / 1_000_000_000L;
        return seconds > 0 && read < seconds * LEAST_PER_SECOND;
    }

    static Refusal tooLarge(long most) {
        return new Refusal(HttpStatus.CONTENT_TOO_LARGE, "too-large", null,
                "What was sent is too large: at most " + (most < 1 << 20 ? most / 1024 + " kB" : most / (1 << 20) + " MB") + ". Nothing was saved.");
    }

    @Override
    public boolean isFinished() {
        return in.isFinished();
    }

    @Override
    public boolean isReady() {
        return in.isReady();
    }

    @Override
    public void setReadListener(ReadListener listener) {
        in.setReadListener(listener);
    }
}
