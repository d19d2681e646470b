package org.zealousladder.server.platform.limits;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import jakarta.servlet.ServletInputStream;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpStatus;
import org.springframework.mock.web.DelegatingServletInputStream;
import org.zealousladder.server.platform.problems.Refusal;

class BodyStreamTest {
    private final AtomicLong nanos = new AtomicLong();

    private BodyStream of(int bytes, long most) {
        ServletInputStream sent = new DelegatingServletInputStream(new ByteArrayInputStream(new byte[bytes]));
        return new BodyStream(sent, most, nanos::get);
    }

    private void after(double seconds) {
        nanos.addAndGet((long) (seconds * 1e9));
    }

    @Test
    void whatFitsComesThrough() throws IOException {
        assertEquals(1000, of(1000, 1000).readAllBytes().length);
    }

    @Test
    void aByteTooManyIsRefusedWithTheSize() {
        Refusal refusal = assertThrows(Refusal.class, () -> of(65_537, 65_536).readAllBytes());
        assertEquals(HttpStatus.CONTENT_TOO_LARGE, refusal.status());
        assertEquals("What was sent is too large: at most 64 kB. Nothing was saved.", refusal.getMessage());
    }

    @Test
    void theLimitCanBeLoweredAndNeverRaised() throws IOException {
        BodyStream stream = of(100, 50);
        stream.atMost(10);
        stream.atMost(80);
        assertEquals(10, stream.read(new byte[10]));
        assertThrows(Refusal.class, stream::read);
    }

    @Test
    void whoSendsAByteNowAndThenIsNotWaitedFor() throws IOException {
        BodyStream stream = of(100_000, 1 << 20);
        stream.read();
        after(9);
        stream.read();
        after(3);
        assertEquals(HttpStatus.REQUEST_TIMEOUT, assertThrows(Refusal.class, stream::read).status());
    }

    @Test
    void aSlowLineThatKeepsComingIsWaitedFor() throws IOException {
        BodyStream stream = of(300_000, 1 << 20);
        for (int second = 0; second < 60; second++) {
            assertEquals(2048, stream.read(new byte[2048]));
            after(1);
        }
    }
}
