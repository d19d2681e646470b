package org.zealousladder.server.learning.frameworks;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A skill of a framework.
 *
 * @param grade in which it is taught, 0 for kindergarten; null where none is said
 * @param place in the order of teaching
 * @param restsOn skills that are to be had before it
 */
public record Skill(int id, int frameworkId, String code, String name, @Nullable String statement, String area, String domain, @Nullable Integer grade,
        int place,
        List<Integer> restsOn) {}
