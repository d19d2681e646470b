package org.zealousladder.core.comparing;

/** What a figure is of, from which follows how its difference is doubted. */
public enum FigureKind {
    /** A mean over people: Welch, or paired by Student's t. */
    MEAN,
    /** The share of people of whom something is so: Newcombe, for others or for the same people. */
    PEOPLE,
    /** The share of answers or pieces, all people's together: Newcombe. */
    COUNTS
}
