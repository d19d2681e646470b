package org.zealousladder.server.overview.start;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.measures.measures.NewMeasure;
import org.zealousladder.server.school.roster.SchoolEditor.SchoolRef;
import org.zealousladder.server.school.roster.SchoolYear;

/**
 * What is there, step by step.
 *
 * @param year the one that runs or comes next; null for none
 * @param proposedWindows three for that year, where it has none
 * @param classes of that year, as the next two
 * @param withoutCuts measures that have no cut scores in that year
 * @param kit measures to begin with that are not there yet
 */
public record StartView(LocalDate today, List<SchoolRef> schools, @Nullable SchoolYear year, List<ProposedWindow> proposedWindows, Counts counts,
        List<String> withoutCuts, List<NewMeasure> kit) {

    public record ProposedWindow(String name, LocalDate starts, LocalDate ends) {}

    /**
     * How much there is.
     *
     * @param teachers people who teach a class of the year
     * @param cuts measures that have cut scores in the year
     */
    public record Counts(int classes, int students, int teachers, int measures, int windows, int cuts, int scores) {}
}
