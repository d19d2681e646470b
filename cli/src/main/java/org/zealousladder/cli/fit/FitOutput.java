package org.zealousladder.cli.fit;

import java.io.IOException;
import java.io.OutputStream;
import java.util.List;
import java.util.Map;
import org.zealousladder.cli.rows.Problem;
import org.zealousladder.core.growth.Pool;

/** Where results go, one series after the other. */
interface FitOutput {
    /** @param populations what was pooled, by measure; empty unless the method fits them together */
    void begin(FittedSeries.Options options, String method, Map<String, Pool> populations, OutputStream out) throws IOException;

    void series(FittedSeries s) throws IOException;

    void end(List<Problem> problems) throws IOException;

    /** The files were bad and nothing was computed; the problems stand on the error stream already. */
    default void problemsOnly(List<Problem> problems, OutputStream out) throws IOException {}
}
