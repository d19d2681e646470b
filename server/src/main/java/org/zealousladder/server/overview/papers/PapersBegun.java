package org.zealousladder.server.overview.papers;

/** A PDF that is being made. @param id by which one asks how far it is */
public record PapersBegun(long id) {}
