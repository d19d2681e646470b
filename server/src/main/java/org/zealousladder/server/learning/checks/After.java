package org.zealousladder.server.learning.checks;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.skills.CheckBand;
import org.zealousladder.server.school.roster.StudentRef;

/**
 * What follows from a check for those who are done with it.
 *
 * @param standard share that the school calls having a skill
 * @param done who is, of {@code students}
 * @param waiting different answers that nobody has decided yet: until then they count as nothing
 */
public record After(ChecksView.GivenLine given, double standard, int done, int students, int waiting, List<Band> bands, List<AskedSkill> skills,
        List<Reteach> groups, List<OwnPage> pages) {

    /** @param students by name, with their shares of the points */
    public record Band(CheckBand band, List<BandStudent> students) {}

    /** @param share of the points */
    public record BandStudent(StudentRef student, double share) {}

    /** @param share of the points that all earned on it @param below who is below the standard @param items how many asked for it */
    public record AskedSkill(int id, String name, double share, int items, List<StudentRef> below) {}

    /** @param skill that is taught again; null: for whoever goes on */
    public record Reteach(@Nullable Integer skill, String name, List<StudentRef> students) {}

    /** A student's own page. @param well skills at the standard @param next the first below it; null: none @param practise others below it */
    public record OwnPage(StudentRef student, double points, double possible, List<String> well, @Nullable String next, List<String> practise) {}
}
