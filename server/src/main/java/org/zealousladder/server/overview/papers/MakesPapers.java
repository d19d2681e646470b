package org.zealousladder.server.overview.papers;

import java.util.function.IntConsumer;
import org.zealousladder.server.platform.problems.Refusal;

/**
 * Makes PDFs of one kind. A bean of the capability whose they are.
 *
 * @param <A> what is asked for; kept beside the job as JSON, so that another server can make it
 */
public interface MakesPapers<A> {
    /** What stands with the job: never changed, since jobs outlive a start. */
    String kind();

    Class<A> asked();

    /** @param title of the whole; @param parts by which one sees how far it is; @param file the name that it is saved under */
    record Outline(String title, int parts, String file) {}

    /**
     * Looked at before the job is taken on, as whoever asks.
     *
     * @throws Refusal for what cannot be made
     */
    Outline outline(A asked);

    /**
     * As whoever asks, with what they may see now.
     *
     * @param done is told how many parts are done
     * @throws Refusal for what cannot be made any more
     */
    byte[] make(A asked, IntConsumer done);
}
