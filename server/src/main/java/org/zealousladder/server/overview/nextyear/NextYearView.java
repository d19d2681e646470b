package org.zealousladder.server.overview.nextyear;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.school.roster.SchoolEditor.SchoolRef;
import org.zealousladder.server.school.roster.SchoolYear;

/**
 * What next year would be like if nothing were changed.
 *
 * @param schools to choose from
 * @param year the one that ends
 * @param next the one that follows: as it is, where another school has set it up, or as proposed, without an id
 * @param made whether this school has classes in it already
 * @param windows of the year that ends, with the days they would have
 * @param cuts cut scores (measures, grades and windows) that would be copied
 */
public record NextYearView(List<SchoolRef> schools, int school, SchoolYear year, NextYear next, boolean made, List<ClassNow> classes, List<StudentNow> students,
        List<WindowNext> windows, int cuts) {

    public record NextYear(@Nullable Integer id, String name, LocalDate starts, LocalDate ends) {}

    /**
     * A class of the year that ends, with what would come of it.
     *
     * @param goesOn false for the highest grade, which leaves the school
     */
    public record ClassNow(int id, String name, int grade, List<String> teachers, boolean goesOn, String nextName, int nextGrade) {}

    /** A student of such a class. */
    public record StudentNow(int id, int classId, String givenName, String familyName, String code) {}

    public record WindowNext(String name, LocalDate starts, LocalDate ends) {}
}
