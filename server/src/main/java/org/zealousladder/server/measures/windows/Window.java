package org.zealousladder.server.measures.windows;

import java.time.LocalDate;

/** A screening window, first to last day. */
public record Window(int id, int yearId, String name, LocalDate starts, LocalDate ends) {}
