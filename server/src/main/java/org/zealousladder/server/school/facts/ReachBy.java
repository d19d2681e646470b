package org.zealousladder.server.school.facts;

import org.zealousladder.core.Coded;

/** How somebody at home is best reached. */
public enum ReachBy implements Coded {
    PHONE,
    MESSAGE,
    EMAIL,
    LETTER,
    IN_PERSON
}
