package org.zealousladder.server.learning.skills;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.school.roster.StudentRef;

/** What stands side by side: two students, two spans of time, two classes; and a topic before, during and after. */
final class Beside {
    private Beside() {}

    /** Answers on a skill on one side. @param share right, with its 95 % interval; null without an answer */
    record SideCount(int answers, double right, int students, @Nullable Double share, @Nullable Double low, @Nullable Double high) {}

    /**
     * A skill on both sides.
     *
     * @param difference of the second's share from the first's, with its 95 % interval; null where a side has no answer
     * @param settled whether the counts settle that there is one
     */
    record SideRow(int skill, String name, String domain, SideCount first, SideCount second, @Nullable Double difference, @Nullable Double low,
            @Nullable Double high,
            boolean settled) {}

    /** @param first what stands on that side, in words */
    record SideBySide(String first, String second, List<SideRow> rows) {}

    /** A student before and after. @param before share right; null without an answer then */
    record TopicStudent(StudentRef student, int nBefore, @Nullable Double before, int nDuring, @Nullable Double during, int nAfter, @Nullable Double after) {}

    /**
     * A topic.
     *
     * @param up who had under the standard right before and at least that after, @param down the other way round, @param both who has answers on both sides
     * @param chance how likely so uneven a change is by chance alone (McNemar, exact); null where nobody has both
     */
    record Topic(LocalDate from, LocalDate to, SideCount before, SideCount during, SideCount after, List<TopicStudent> students, int up, int down, int both,
            @Nullable Double chance) {}
}
