package org.zealousladder.server.learning.skills;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.skills.SkillState;
import org.zealousladder.server.learning.items.Item;
import org.zealousladder.server.learning.skills.SkillsView.FrameworkName;
import org.zealousladder.server.learning.skills.SkillsView.SkillName;
import org.zealousladder.server.school.roster.StudentRef;

/**
 * A student on the skills of a framework.
 *
 * @param skills in the order of teaching
 * @param next what to work on next; null where nothing has its ground, or everything is there
 * @param answers every answer ever given on the framework's skills, the newest first
 * @param seen what was seen while reading aloud, the newest first
 */
record StudentSkills(StudentRef student, List<FrameworkName> frameworks, int framework, List<OwnSkill> skills, @Nullable SkillName next,
        List<OwnAnswer> answers,
        List<OwnSeen> seen, List<Item> items) {

    /** @param right sum of shares of the points; @param last day of the newest answer, null without one; @param missingGround skills it rests on that are not secure */
    record OwnSkill(int id, String name, String domain, @Nullable Integer grade, SkillState state, int answers, double right, double chance,
            @Nullable LocalDate last, List<SkillName> missingGround) {}

    /** @param share of the points; null while it waits; @param check its name, null for one of its own; @param source where it came from */
    record OwnAnswer(int item, LocalDate day, @Nullable String answer, @Nullable Double share, @Nullable String check, @Nullable Integer seconds, String source,
            @Nullable String shows) {}

    /** @param name of what was looked for */
    record OwnSeen(int skill, LocalDate day, String name, boolean shown) {}
}
