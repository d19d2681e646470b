package org.zealousladder.server.overview.prints;

import java.util.List;
import org.zealousladder.server.overview.periods.Period.TookPart;
import org.zealousladder.server.overview.students.StudentPage;

/**
 * All that a student's sheet is made of.
 *
 * @param year what was done since the year began; @param weeks in the last four weeks
 * @param can skills that are secure; @param learning that are shaky or not there yet, the newest taught last
 * @param percentiles of the newest season of each measure; empty where nobody wants them
 */
record SheetFigures(StudentPage page, TookPart year, TookPart weeks, List<String> can, List<String> learning, List<Beside> percentiles) {

    /** @param percentile share of the grade's scores below, in hundredths */
    record Beside(String measure, String window, int percentile) {}
}
