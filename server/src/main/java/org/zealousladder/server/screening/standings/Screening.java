package org.zealousladder.server.screening.standings;

import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.school.roster.Enrolled;

/**
 * One screening window for some students, as known on a day.
 *
 * @param expected who was here on the window's last day, or is here now while it runs: the ones that totals count
 * @param left who was here at its beginning and left before its last day
 * @param later who came after its last day
 * @param measures what is given in this window: measures with cut scores for a grade among the students, or with any score
 * @param withParts the same, each with its sub-scores after it
 * @param before the window before it, where there is one; the standings hold both
 */
public record Screening(Window window, java.util.Optional<Window> before, LocalDate asOf, int schoolId, List<Enrolled> expected, List<Enrolled> left,
        List<Enrolled> later, List<Measure> measures, List<Measure> withParts, Standings standings) {

    public Stream<Enrolled> everyone() {
        return Stream.of(expected, left, later).flatMap(List::stream);
    }

    /** The standing in this window. */
    public Cell cell(int studentId, int measureId) {
        List<Cell> cells = standings.of(studentId, measureId);
        return cells.get(cells.size() - 1);
    }

    /** Whether the measure is one for the student's grade; a sub-score goes with its whole. */
    public boolean given(Enrolled student, Measure measure) {
        if (!measure.whole() && measures.stream().filter(w -> Objects.equals(measure.partOf(), w.id())).anyMatch(w -> given(student, w))) {
            return true;
        }
        return cell(student.id(), measure.id()).scored() || standings.ladders().of(measure.id(), window.id(), student.grade()).isPresent()
                || standings.ladders().grades(measure.id(), window.id()).isEmpty();
    }
}
