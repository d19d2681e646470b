package org.zealousladder.server.school.roster;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * A student in a class on a day, with the time they have been in it.
 *
 * @param namesake whether another student of the school is called the same
 */
public record Enrolled(int id, String code, String givenName, String familyName, @Nullable String support, int classId,
        String className, int grade, LocalDate enrolledFrom, @Nullable LocalDate enrolledTo, int schoolId, boolean namesake) {

    public Enrolled(int id, String code, String givenName, String familyName, @Nullable String support, int classId, String className, int grade,
            LocalDate enrolledFrom, @Nullable LocalDate enrolledTo, int schoolId) {
        this(id, code, givenName, familyName, support, classId, className, grade, enrolledFrom, enrolledTo, schoolId, false);
    }

    /** As every view names the student; of two who are called the same, with the code. */
    public StudentRef ref() {
        String name = givenName + (familyName.isEmpty() ? "" : " " + familyName);
        return new StudentRef(id, code, namesake ? name + " (" + code + ")" : name, initials(), className, classId);
    }

    private String initials() {
        return first(givenName) + first(familyName);
    }

    private static String first(String name) {
        return name.isEmpty() ? "" : new String(Character.toChars(name.codePointAt(0))).toUpperCase(java.util.Locale.ROOT);
    }
}
