package org.zealousladder.server.learning.skills;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Interval;
import org.zealousladder.core.skills.SkillState;
import org.zealousladder.server.learning.items.Item;
import org.zealousladder.server.school.roster.StudentRef;

/**
 * Which skills some students have.
 *
 * @param frameworks that can be looked at; empty where none is set up
 * @param framework the one that is
 * @param grade of all students; null where they are of several
 * @param students by name; their ids stand in the rows
 * @param marks whether rows name the students; a grade or a school has counts by class
 * @param again what to teach again; null where nothing calls for it
 * @param mayTeach whether the viewer keeps the list of what is being taught
 */
public record SkillsView(List<FrameworkName> frameworks, @Nullable Integer framework, Meaning meaning, @Nullable Integer grade, List<StudentRef> students,
        boolean marks, List<SkillRow> rows, @Nullable TeachAgain again, boolean mayTeach) {

    /** A framework by name. */
    public record FrameworkName(int id, String name) {}

    /** What having a skill means. @param standard share of right answers @param sureness from which it is said @param halfLife in days */
    public record Meaning(double standard, double sureness, double halfLife) {}

    /** Students by how they stand. */
    public record Standings(List<Integer> secure, List<Integer> shaky, List<Integer> notYet, List<Integer> tooFew, List<Integer> notTried) {}

    /** How many stand how. @param share secure of those who tried; null where nobody did @param enough whether enough of them tried to say something of all */
    public record SkillCounts(int students, int tried, int secure, int shaky, int notYet, int tooFew, @Nullable Double share, @Nullable Double low,
            @Nullable Double high, boolean enough) {}

    /** Of a class. */
    public record ClassCounts(int id, String name, SkillCounts counts) {}

    /** A skill. @param taught whether the class is being taught it; @param taughtFrom since when; @param standings null for a grade or a school, whose {@code classes} are counted */
    public record SkillRow(int id, String name, @Nullable String statement, String area, String domain, @Nullable Integer grade, boolean taught,
            @Nullable LocalDate taughtFrom, SkillCounts counts,
            @Nullable Standings standings, List<ClassCounts> classes) {}

    /** @param taught whether it is being taught; @param next where those go on who have it; null: nowhere in the framework */
    public record TeachAgain(int skill, boolean taught, @Nullable SkillName next) {}

    /** A skill by name. */
    public record SkillName(int id, String name) {}

    /** One student on a skill. @param right sum of shares of the points @param chance of being at the standard or above */
    public record SkillStudent(StudentRef student, SkillState state, int answers, double right, double chance) {}

    /** An item as it was asked. @param label what it is called in its newest check @param right share of the points of all answers here @param answers how many */
    public record SkillItem(Item item, String label, @Nullable String check, LocalDate last, int answers, double right) {}

    /** The newest answer of a student to an item. @param share of the points; null while it waits */
    public record GivenAnswer(int student, int item, @Nullable String answer, @Nullable Double share, LocalDate day, @Nullable String shows) {}

    /** @param shows in words; null where nobody has said what the answer shows @param of how many who do not have the skill */
    public record MistakeShared(@Nullable String shows, int item, String answer, List<Integer> students, int of) {}

    /** How the skill stood after a check. @param share of the points on it, with its interval @param secure of those who had tried by then */
    public record SkillTrend(String check, LocalDate day, int students, double share, double low, double high, int secure, int tried) {}

    /** What was seen while reading aloud. */
    public record SeenReading(int student, LocalDate day, String name, boolean shown) {}

    /**
     * A skill opened.
     *
     * @param students by state, then by name
     * @param byChance right answers that choosing blindly would give, of {@code choosing} items that can be chosen
     * @param next where those go on who have it
     */
    public record SkillDetail(SkillRow skill, List<SkillStudent> students, List<SkillItem> items, List<GivenAnswer> answers, List<SeenReading> seen,
            @Nullable MistakeShared mistake, double byChance, int choosing, List<SkillTrend> trend, List<SkillName> restsOn, @Nullable SkillName next) {}

    static SkillCounts counts(org.zealousladder.core.skills.ClassSkill c) {
        Interval share = c.share().orElse(null);
        return new SkillCounts(c.students(), c.tried(), c.secure(), c.shaky(), c.notYet(), c.tooFew(), share == null ? null : share.value(),
                share == null ? null : share.low(), share == null ? null : share.high(), c.enoughKnown());
    }
}
