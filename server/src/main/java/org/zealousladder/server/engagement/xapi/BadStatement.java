package org.zealousladder.server.engagement.xapi;

/** A statement that is none. The message says where and why. */
final class BadStatement extends RuntimeException {
    private static final long serialVersionUID = 1;

    BadStatement(String where, String why) {
        super(where.isEmpty() ? why : where + ": " + why);
    }
}
