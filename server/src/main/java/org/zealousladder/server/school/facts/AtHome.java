package org.zealousladder.server.school.facts;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * Somebody at a student's home, or who stands for it.
 *
 * @param relation to the student, in words
 * @param language in which to speak and write to them
 * @param reachWhen in words: after 5, not on Fridays
 * @param noWriting whether they must not be written to
 * @param own whether it is the student's own address
 * @param ends the last day on which they were to be reached; null: they are
 */
public record AtHome(long id, String name, @Nullable String relation, @Nullable String phone, @Nullable String email, @Nullable String language,
        @Nullable ReachBy reachBy, @Nullable String reachWhen, @Nullable LocalDate ends, boolean noWriting, boolean own) {}
