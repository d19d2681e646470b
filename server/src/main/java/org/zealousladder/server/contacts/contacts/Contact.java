package org.zealousladder.server.contacts.contacts;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Coded;
import org.zealousladder.server.school.roster.StudentRef;

/**
 * Something said or written.
 *
 * @param name of whom it was with
 * @param reached false: nobody answered
 * @param words what was said and agreed
 * @param lookAgainOn when to look again; @param looked whether somebody has
 * @param letter how the letter fares; null where there is none
 * @param subject of the letter
 * @param mayTakeBack whether the viewer noted it
 */
public record Contact(long id, StudentRef student, Way way, Whom whom, @Nullable String name, LocalDate on, boolean reached, @Nullable String words,
        @Nullable LocalDate lookAgainOn, boolean looked, @Nullable String by, @Nullable Long letterId, @Nullable LetterState letter, @Nullable String subject,
        @Nullable String said, boolean mayTakeBack) {

    /** Whether somebody at home was reached by it: a letter that did not go out reached nobody. */
    public boolean reachedHome() {
        return whom == Whom.HOME && reached && (letter == null || letter == LetterState.SENT);
    }

    /** How. */
    public enum Way implements Coded {
        CALL,
        TALK,
        LETTER,
        MAIL
    }

    /** With whom. */
    public enum Whom implements Coded {
        HOME,
        STUDENT,
        STAFF,
        OTHER
    }

    /** Where a letter is on its way. {@code UNSURE}: its server ended while it was handed over; it may have gone out. */
    public enum LetterState implements Coded {
        WAITING,
        SENDING,
        SENT,
        FAILED,
        UNSURE,
        STOPPED
    }
}
