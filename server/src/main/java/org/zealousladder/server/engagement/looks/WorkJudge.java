package org.zealousladder.server.engagement.looks;

import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.engagement.Engagement.Flag;
import org.zealousladder.core.engagement.EngagementRule;
import org.zealousladder.core.engagement.EngagementSettings;
import org.zealousladder.core.work.Counting;
import org.zealousladder.core.work.WorkRules;
import org.zealousladder.server.engagement.work.StudentWork;
import org.zealousladder.server.engagement.work.WorkBook;
import org.zealousladder.server.school.roster.Enrolled;

/** The rules about work, for the students of one class. */
final class WorkJudge {
    private final WorkBook book;
    private final LocalDate asOf;
    private final EngagementSettings settings;
    private final Counting counting;
    private final OptionalDouble lowLine;

    WorkJudge(WorkBook book, List<Enrolled> students, int school, LocalDate asOf, EngagementSettings settings) {
        this.book = book;
        this.asOf = asOf;
        this.settings = settings;
        counting = book.of(school).counting();
        double[] shares = students.stream().map(e -> book.students().get(e.id())).filter(Objects::nonNull).map(Objects::requireNonNull)
                .filter(w -> w.sums().marked() >= WorkRules.FEWEST).map(w -> w.sums().shareEarned()).filter(OptionalDouble::isPresent)
                .mapToDouble(OptionalDouble::getAsDouble)
                .toArray();
        lowLine = WorkRules.lowLine(shares, settings.of(EngagementRule.LOW_MARKS));
    }

    /** Pieces of the year that did not come; null without any work. */
    @Nullable
    Integer missing(int student) {
        StudentWork w = book.students().get(student);
        return w == null ? null : w.sums().missing();
    }

    Optional<Flag> notIn(int student, List<EngagementRule> cannotTell) {
        if (!settings.on(EngagementRule.WORK_NOT_IN)) {
            return Optional.empty();
        }
        StudentWork w = book.students().get(student);
        if (w == null || !WorkRules.tellsNotIn(w.all(), asOf, settings.of(EngagementRule.WORK_NOT_IN))) {
            cannotTell.add(EngagementRule.WORK_NOT_IN);
            return Optional.empty();
        }
        return WorkRules.notIn(w.all(), asOf, settings.of(EngagementRule.WORK_NOT_IN));
    }

    Optional<Flag> lowMarks(int student, List<EngagementRule> cannotTell) {
        if (!settings.on(EngagementRule.LOW_MARKS)) {
            return Optional.empty();
        }
        StudentWork w = book.students().get(student);
        if (w == null || lowLine.isEmpty() || w.sums().marked() < WorkRules.FEWEST) {
            cannotTell.add(EngagementRule.LOW_MARKS);
            return Optional.empty();
        }
        return WorkRules.lowMarks(w.all(), lowLine.getAsDouble(), counting);
    }
}
