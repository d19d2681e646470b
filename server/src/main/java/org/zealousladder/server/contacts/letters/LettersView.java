package org.zealousladder.server.contacts.letters;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.school.roster.StudentRef;

/**
 * Every letter as it will be read.
 *
 * @param unreached students for whom there is nobody to write to, and why
 * @param seen to be given back when they are sent
 * @param replyTo where answers go
 */
record LettersView(List<LetterText> letters, List<Unreached> unreached, String seen, @Nullable String replyTo) {

    /**
     * A letter.
     *
     * @param key by which it is left out
     * @param missing fields for which the student has no value
     * @param wrong why it cannot go as it is; null where it can
     */
    record LetterText(String key, StudentRef student, String recipient, String address, @Nullable String language, String subject, String body,
            List<String> missing,
            @Nullable String wrong) {}

    record Unreached(StudentRef student, String why) {}
}
