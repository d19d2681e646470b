package org.zealousladder.server.platform.jobs;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.Executor;
import org.springframework.http.HttpStatus;
import org.zealousladder.server.platform.problems.Refusal;

/** Work of many people, done one after another by turns: a person with a hundred jobs is asked for one, and then everybody else. */
public final class FairQueue {
    private final Executor worker;
    private final int mostOfOne;
    private final Map<Integer, Deque<Runnable>> waiting = new LinkedHashMap<>();

    /**
     * @param worker does what it is given in order; one thread, or as many as may work at once
     * @param mostOfOne jobs of one person that may wait
     */
    public FairQueue(Executor worker, int mostOfOne) {
        this.worker = worker;
        this.mostOfOne = mostOfOne;
    }

    /** @throws Refusal 429 when the person has too many waiting already */
    public void add(int person, Runnable job) {
        synchronized (waiting) {
            Deque<Runnable> own = waiting.computeIfAbsent(person, p -> new ArrayDeque<>());
            if (own.size() >= mostOfOne) {
                throw new Refusal(HttpStatus.TOO_MANY_REQUESTS, "too-many", null,
                        mostOfOne + " of yours are waiting already. Wait until some are done, then ask again.").retryAfter(20);
            }
            own.add(job);
        }
        worker.execute(this::next);
    }

    private void next() {
        Runnable job;
        synchronized (waiting) {
            Map.Entry<Integer, Deque<Runnable>> turn = waiting.entrySet().iterator().next();
            job = turn.getValue().remove();
            // Whoever has more goes to the end of the line.
            waiting.remove(turn.getKey());
            if (!turn.getValue().isEmpty()) {
                waiting.put(turn.getKey(), turn.getValue());
            }
        }
        job.run();
    }
}
