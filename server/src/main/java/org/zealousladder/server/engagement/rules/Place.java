package org.zealousladder.server.engagement.rules;

import org.jspecify.annotations.Nullable;
import org.zealousladder.server.platform.problems.Refusal;

/**
 * Where a rule is set: everywhere (nothing given), in a school, in a grade of it, or in a class. The narrowest counts.
 *
 * @param grade only with a school
 * @param classId only by itself
 */
public record Place(@Nullable Integer schoolId, @Nullable Integer grade, @Nullable Integer classId) {
    public Place {
        if (grade != null && schoolId == null || classId != null && schoolId != null) {
            throw Refusal.invalid("place", "A place is everywhere, a school, a grade of a school, or a class.");
        }
    }
}
