package org.zealousladder.server.engagement.work;

import java.util.List;
import java.util.Map;
import org.zealousladder.core.work.WorkResult;
import org.zealousladder.core.work.WorkSums;

/** A student's work of a year, by piece, with its sums. */
public record StudentWork(int studentId, Map<Integer, WorkResult> results, WorkSums sums) {

    public List<WorkResult> all() {
        return List.copyOf(results.values());
    }
}
