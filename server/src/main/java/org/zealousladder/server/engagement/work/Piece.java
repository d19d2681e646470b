package org.zealousladder.server.engagement.work;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * A piece of work.
 *
 * @param kind in the school's own words, like homework or test
 * @param possible points
 * @param link to the work itself
 * @param ofName the class or group that has it to do
 */
public record Piece(int id, String code, int schoolId, @Nullable Integer classId, @Nullable Integer groupId, String ofName, String title,
        @Nullable String subject, String kind,
        LocalDate due, double possible, @Nullable String skill, @Nullable String link) {}
