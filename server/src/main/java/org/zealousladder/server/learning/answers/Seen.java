package org.zealousladder.server.learning.answers;

import java.time.LocalDate;

/** What a listener saw while a student read aloud, as an answer on a skill. @param name of what was looked for */
public record Seen(int student, int skill, LocalDate day, String name, boolean shown) {}
