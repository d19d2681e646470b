package org.zealousladder.core.work;

import org.zealousladder.core.Coded;

/** Which of a student's attempts counts. */
public enum WhichAttempt implements Coded {
    LATEST,
    BEST,
    FIRST,
    MEAN
}
