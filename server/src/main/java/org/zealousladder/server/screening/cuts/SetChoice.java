package org.zealousladder.server.screening.cuts;

/** Which set of cut scores a school's scores are read by. */
public record SetChoice(int set, int school) {}
