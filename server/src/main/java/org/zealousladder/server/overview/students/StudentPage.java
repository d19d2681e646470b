package org.zealousladder.server.overview.students;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.scores.ScoreStatus;
import org.zealousladder.server.contacts.contacts.Contact;
import org.zealousladder.server.measures.measures.MeasureRef;
import org.zealousladder.server.monitoring.decisions.Decision;
import org.zealousladder.server.monitoring.plans.Concern;
import org.zealousladder.server.monitoring.plans.Plan;
import org.zealousladder.server.monitoring.trends.TrendCard;
import org.zealousladder.server.school.facts.StudentFacts;
import org.zealousladder.server.school.folder.Folder;
import org.zealousladder.server.school.roster.Lesson;
import org.zealousladder.server.school.roster.LessonsService.TaughtIn;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.sight.Sight;
import org.zealousladder.server.screening.standings.Cell;
import org.zealousladder.server.screening.tiers.TiersOnRecord.TierOnRecord;

/**
 * One student.
 *
 * @param from first day of the time axis all lanes share
 * @param to last day of it
 * @param concerns also those taken back, level 0
 * @param areas that a concern can be in
 * @param contacts what was said and written, the newest first
 * @param now how the student stands, in figures
 * @param next what fits now
 * @param folder notes and files that the viewer may read
 * @param teachers of the class
 * @param groups teaching groups now, with their teachers
 * @param lessons the timetable now
 * @param outside assessments of bodies outside the school, the newest first
 * @param unseen what the viewer's role does not see of students
 * @param chosen lanes as the viewer has chosen them, for every student
 */
public record StudentPage(StudentRef student, int classId, int grade, StudentFacts facts, LocalDate from, LocalDate to,
        List<Enrolment> enrolments, List<Lane> lanes, List<Decision> decisions, List<TierOnRecord> tiers,
        List<Concern> concerns, List<String> areas, List<PlansOfMeasure> plans, List<Contact> contacts, Strips strips, List<NowFigure> now,
        List<NextStep> next, Folder folder, List<String> teachers, List<TaughtIn> groups, List<Lesson> lessons, List<OutsideResult> outside,
        LaneChoice chosen, List<Sight> unseen) {

    /** Plans on one measure, the newest first. */
    public record PlansOfMeasure(MeasureRef measure, List<Plan> plans) {}

    /** A time in a class. */
    public record Enrolment(String className, int grade, LocalDate from, @Nullable LocalDate to, List<String> teachers) {}

    /**
     * One measure: this year's card with its trend, the points of the years before it, and the standing in each season.
     *
     * @param earlierGoals goals that came due before this year, the oldest first
     * @param parts its sub-scores, as far as there are any
     */
    public record Lane(MeasureRef measure, TrendCard card, List<TrendCard.TrendPoint> earlier, List<EarlierGoal> earlierGoals, List<SeasonStanding> seasons,
            List<PartScores> parts) {}

    /** A goal of a year before: a line from the start to its date. */
    public record EarlierGoal(LocalDate startDate, double startScore, LocalDate goalDate, double goalScore) {}

    /**
     * What came of an outside assessment: when, in which year and class, who taught it then, and its parts as far as they are on record.
     *
     * @param year name of the school year; null for a day outside all that are on record
     */
    public record OutsideResult(MeasureRef measure, @Nullable String year, LocalDate takenOn, @Nullable String className, @Nullable Integer grade,
            List<String> teachers, @Nullable Double value, ScoreStatus status, List<OutsidePart> parts) {}

    public record OutsidePart(MeasureRef measure, @Nullable Double value, ScoreStatus status) {}

    /** Sub-scores on one part, the oldest first. */
    public record PartScores(MeasureRef measure, List<PartScore> scores) {}

    /** @param value absent where there is a word instead of a score */
    public record PartScore(LocalDate takenOn, @Nullable Double value, ScoreStatus status) {}

    /** Standing in one screening window. */
    public record SeasonStanding(String window, LocalDate starts, LocalDate ends, Cell cell) {}
}
