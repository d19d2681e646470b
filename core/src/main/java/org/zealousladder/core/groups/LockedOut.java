package org.zealousladder.core.groups;

/** What was asked for cannot be: the message says what contradicts what. */
public final class LockedOut extends IllegalArgumentException {
    private static final long serialVersionUID = 1;

    LockedOut(String message) {
        super(message);
    }
}
