package org.zealousladder.server.platform.jobs;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpStatus;
import org.zealousladder.server.platform.problems.Refusal;

class FairQueueTest {
    private final Deque<Runnable> given = new ArrayDeque<>();
    private final List<String> done = new ArrayList<>();
    private final FairQueue queue = new FairQueue(given::add, 3);

    private void add(int person, String name) {
        queue.add(person, () -> done.add(name));
    }

    private void work() {
        while (!given.isEmpty()) {
            given.remove().run();
        }
    }

    @Test
    void whoComesLaterWithOneDoesNotWaitForAllOfAnothers() {
        add(1, "a1");
        add(1, "a2");
        add(1, "a3");
        add(2, "b1");
        add(3, "c1");
        work();
        assertEquals(List.of("a1", "b1", "c1", "a2", "a3"), done);
    }

    @Test
    void onePersonsAreDoneInTheirOrder() {
        add(1, "a1");
        add(1, "a2");
        work();
        add(1, "a3");
        work();
        assertEquals(List.of("a1", "a2", "a3"), done);
    }

    @Test
    void onlySoManyOfOnePersonWait() {
        add(1, "a1");
        add(1, "a2");
        add(1, "a3");
        assertEquals(HttpStatus.TOO_MANY_REQUESTS, assertThrows(Refusal.class, () -> add(1, "a4")).status());
        add(2, "b1");
        given.remove().run();
        add(1, "a5");
        work();
        assertEquals(List.of("a1", "b1", "a2", "a3", "a5"), done);
    }
}
