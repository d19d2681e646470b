package org.zealousladder.server.engagement.work;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.work.MarkScale;
import org.zealousladder.core.work.WhichAttempt;
import org.zealousladder.core.work.WorkRules;
import org.zealousladder.core.work.WorkState;
import org.zealousladder.server.engagement.work.MarkForm.Mark;
import org.zealousladder.server.school.roster.StudentRef;

/**
 * Students down, pieces of work across.
 *
 * @param cells whether the rows have cells: for a class, a group or a caseload
 * @param median of the shares earned of the students here; null under 2
 * @param subjects all there are, @param kinds likewise, for choosing
 * @param places whose work the viewer may add pieces to
 * @param without students who had no work to do
 * @param toMark results that wait to be marked
 */
record WorkView(List<PieceColumn> pieces, List<WorkRow> rows, boolean cells, WorkCounting counting, List<MarkScale.Rung> scale, @Nullable Double median,
        List<String> subjects,
        List<String> kinds, List<PieceOf> places, List<StudentRef> without, int toMark) {

    /** How it is counted. @param own whether that is how the school counts */
    record WorkCounting(WhichAttempt attempt, boolean late, boolean missingIsZero, boolean own) {}

    /** A class or a group. */
    record PieceOf(@Nullable Integer classId, @Nullable Integer groupId, String name) {}

    /**
     * A piece of work.
     *
     * @param in handed in, marked or not; @param toMark of these not marked; @param missing due and not handed in; @param of students who have it to do
     * @param median share earned, where 3 or more were marked
     */
    record PieceColumn(int id, String title, String ofName, @Nullable String subject, String kind, LocalDate due, double possible, @Nullable String skill,
            @Nullable String link,
            int in, int toMark, int missing, int of, @Nullable Double median, boolean mayChange) {}

    /**
     * What became of a piece of work.
     *
     * @param points by the attempt that counts
     * @param typed as it stands in the cell when marks are typed, with what happened instead
     * @param seen what a change of the cell goes from
     */
    record WorkCell(int piece, WorkState state, boolean late, @Nullable Double points, int attempts, @Nullable String reason, @Nullable Double typed,
            @Nullable Mark status,
            @Nullable Long seen) {}

    /**
     * A student's work.
     *
     * @param soFar points earned, @param ofAll of all there is, also of what is to come
     * @param earned share of what was marked; @param attempted share of what was due; null where nothing was
     * @param mark rung of the share earned; @param markSoFar rung of the points so far of all
     * @param below against the median of the students here
     */
    record WorkRow(StudentRef student, List<WorkCell> cells, double soFar, double ofAll, @Nullable Double earned, @Nullable Double attempted, int marked,
            int due, int missing,
            @Nullable String mark, @Nullable String markSoFar, WorkRules.Below below) {}

    /**
     * One piece opened.
     *
     * @param five least, lower quarter, median, upper quarter and most of the shares earned; empty under 3
     * @param bins how many earned from each tenth of the points; the last holds all of them, and more
     */
    record PieceView(PieceColumn piece, List<Double> five, List<Integer> bins, List<PieceResult> results) {}

    /** A student's result with its attempts. */
    record PieceResult(StudentRef student, WorkState state, boolean late, @Nullable Double points, @Nullable String reason, List<PieceAttempt> attempts) {}

    /** An attempt. @param possible where it is another number than that of the piece */
    record PieceAttempt(int number, LocalDate on, @Nullable Double points, @Nullable Double possible, @Nullable Integer seconds, @Nullable String link) {}
}
