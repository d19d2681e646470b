package org.zealousladder.server.overview.reports;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.school.roster.StudentRef;

/**
 * One table of a report, as it stands on the screen, in the PDF and on a sheet of the workbook.
 *
 * @param says what it tells, in a sentence
 * @param of what a row is of: {@code Student} or {@code Skill}
 * @param parts with the same columns; one without a title where there is nothing to part by
 */
public record ReportTable(ReportKind kind, String name, String says, String of, List<ReportColumn> columns, List<ReportPart> parts) {

    /** The tables there are. */
    public enum ReportKind {
        TAKING_PART,
        RESULTS,
        SKILLS,
        STUDENTS_SKILLS
    }

    /** What a column's cells are. */
    public enum ColumnKind {
        NUMBER,
        /** Between 0 and 1. */
        SHARE,
        /** A number that can go either way. */
        CHANGE,
        DAY,
        TEXT
    }

    /** @param explains what it counts, for whoever does not know */
    public record ReportColumn(String name, String explains, ColumnKind kind, int decimals) {}

    /** @param title null where there is one part alone; @param unit of its scores; @param area that it belongs to; @param decimals that they have */
    public record ReportPart(@Nullable String title, @Nullable String unit, @Nullable String area, int decimals, List<ReportLine> lines,
            List<ReportFoot> foot) {}

    /** @param student null for a row of something else, which has a name; @param cells in the columns' order */
    public record ReportLine(@Nullable StudentRef student, @Nullable String name, List<ReportCell> cells) {}

    /** Neither where nothing is on record. */
    public record ReportCell(@Nullable Double number, @Nullable String text) {
        static final ReportCell NOTHING = new ReportCell(null, null);
    }

    /** Sums or averages beneath. @param name which */
    public record ReportFoot(String name, List<ReportCell> cells) {}
}
