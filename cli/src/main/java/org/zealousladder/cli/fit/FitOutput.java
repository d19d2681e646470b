package org.zealousladder.cli.fit;

import java.io.IOException;
import java.io.OutputStream;
import java.util.List;

/** Where results go, one series after the other. */
interface FitOutput {
    void begin(FittedSeries.Options options, String method, OutputStream out) throws IOException;

    void series(FittedSeries s) throws IOException;

    void end(List<Problem> problems) throws IOException;

    /** The files were bad and nothing was computed; the problems stand on the error stream already. */
    default void problemsOnly(List<Problem> problems, OutputStream out) throws IOException {}
}
