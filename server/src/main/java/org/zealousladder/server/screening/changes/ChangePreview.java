package org.zealousladder.server.screening.changes;

import com.fasterxml.jackson.annotation.JsonValue;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.school.roster.StudentRef;

/**
 * What a change would do. Nothing is saved.
 *
 * @param words the change in a sentence
 * @param sentence who would stand elsewhere, in a sentence
 * @param places the same, counted for each measure or area and window
 * @param movers who would stand elsewhere, more support first; at most {@value #MOST} of them
 * @param moved how many in all
 * @param outside scores on record that the measure could not give any more, the newest first; at most {@value #MOST}
 * @param seen how it is now: to be sent with the change, which is refused when somebody else was first
 * @param different whether anything would be other than it is
 */
public record ChangePreview(String words, String sentence, List<PlaceMoved> places, List<StudentMoved> movers, int moved, List<Outside> outside, String seen,
        boolean different) {
    public static final int MOST = 200;

    /** Whether somebody would get more support, less, or neither can be said. */
    public enum Support {
        MORE,
        LESS,
        OTHER;

        @JsonValue
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public record StudentMoved(StudentRef student, Support support, List<Move> moves) {}

    /**
     * How many move in one place.
     *
     * @param about measure or area, and window
     * @param more how many with more support
     * @param lost how many have a score or a tier there now and would not
     * @param gained how many would and have not
     * @param other how many more are read otherwise
     */
    public record PlaceMoved(String about, int more, int less, int lost, int gained, int other) {}

    /** @param about measure or area, and window */
    public record Move(String about, String from, String to) {}

    /** @param student absent for somebody who has left */
    public record Outside(@Nullable StudentRef student, LocalDate takenOn, double value) {}
}
