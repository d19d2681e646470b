package org.zealousladder.server.school.roster;

import java.time.LocalTime;
import org.jspecify.annotations.Nullable;

/**
 * A lesson of the week.
 *
 * @param weekday 1 is Monday
 * @param group the teaching group; null where it is the class's
 */
public record Lesson(int weekday, LocalTime starts, LocalTime ends, String subject, @Nullable String room, @Nullable String group) {}
