package org.zealousladder.server.school.roster;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.platform.problems.Refusal;

/**
 * Whose students: one class, one teaching group, one small group that was kept, one person's caseload, one list, one grade of a school, or a whole school.
 * In addresses: {@code class-12}, {@code group-7}, {@code table-9} (a small group),
 * {@code caseload-5} (of person 5), {@code list-4}, {@code grade-3-1} (grade 3 of school 1), {@code school-1}.
 */
public record Who(Kind kind, int id, @Nullable Integer grade) {
    private static final Pattern FORM = Pattern.compile("(class|group|table|caseload|list|school)-(\\d{1,9})|grade-(\\d{1,2})-(\\d{1,9})");

    /** How wide the scope is. */
    public enum Kind {
        CLASS,
        GROUP,
        TABLE,
        CASELOAD,
        /** A kept list of students. */
        LIST,
        GRADE,
        SCHOOL
    }

    /** Whether it is a list of named students, rather than a whole grade or school. */
    public boolean small() {
        return kind == Kind.CLASS || kind == Kind.GROUP || kind == Kind.TABLE || kind == Kind.CASELOAD || kind == Kind.LIST;
    }

    public static Who parse(String text) {
        Matcher m = FORM.matcher(text);
        if (!m.matches()) {
            throw Refusal.invalid("who", "'" + text + "' is not a class, group, caseload, list, grade or school.");
        }
        if (m.group(1) == null) {
            return new Who(Kind.GRADE, Integer.parseInt(m.group(4)), Integer.valueOf(m.group(3)));
        }
        return new Who(Kind.valueOf(m.group(1).toUpperCase(Locale.ROOT)), Integer.parseInt(m.group(2)), null);
    }

    @Override
    public String toString() {
        return kind == Kind.GRADE ? "grade-" + grade + "-" + id : kind.name().toLowerCase(Locale.ROOT) + "-" + id;
    }
}
