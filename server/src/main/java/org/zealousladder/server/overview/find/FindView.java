package org.zealousladder.server.overview.find;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.criteria.CriterionText;
import org.zealousladder.server.school.roster.StudentRef;

/**
 * What came of a criterion.
 *
 * @param text as it is always written; what was typed where it is not understood
 * @param mistake where it is not understood; then nothing else is there but the number of students
 * @param students in the scope
 * @param found for whom it holds
 * @param cannotTell for whom nothing on record can tell
 * @param reasons why not, the most frequent first
 * @param shown what the rows are of
 * @param columns heads of the table, as they can be typed
 * @param more the text with a gap, for one more condition that must hold too
 */
record FindView(String text, @Nullable FindMistake mistake, int students, int found, int cannotTell, List<FindReason> reasons, FindShown shown,
        List<String> columns,
        List<FindRow> rows, List<FindLine> lines, @Nullable String more) {

    /** What the rows are. */
    enum FindShown {
        FOUND,
        CANNOT_TELL
    }

    /** @param start from which letter on @param end up to which @param expected what could stand there */
    record FindMistake(int start, int end, String sentence, List<String> expected) {}

    /** @param line its number, from 0 @param students of those for whom the whole cannot be told */
    record FindReason(int line, int students) {}

    /** @param values in the columns' order; null: nothing on record */
    record FindRow(StudentRef student, List<@Nullable Object> values) {}

    /**
     * One condition.
     *
     * @param start where it begins in the text, with the word that joins it
     * @param depth how many brackets it stands in
     * @param holds for how many of those that the lines before leave it holds
     * @param left how many are left after it; null within brackets
     * @param without the text without it; null where it is all there is
     * @param turned the text with the contrary of it
     * @param either the text with a gap beside it, one of which must hold
     * @param from where the condition itself begins @param to where it ends
     * @param negative whether it says that something is not so: who have no goal
     */
    record FindLine(int start, int end, int depth, int holds, @Nullable Integer left, List<FindPart> parts, @Nullable String without, String turned,
            String either,
            int from, int to, boolean negative) {}

    /**
     * A stretch that can be changed.
     *
     * @param other of a joining word: the text with the other one
     */
    record FindPart(CriterionText.What what, int start, int end, @Nullable String term, @Nullable String other) {}
}
