package org.zealousladder.server.school.roster;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** A student in a class on a day, with the time they have been in it. */
public record Enrolled(int id, String code, String givenName, String familyName, @Nullable String support, int classId,
        String className, int grade, LocalDate enrolledFrom, @Nullable LocalDate enrolledTo, int schoolId) {

    public StudentRef ref() {
        return new StudentRef(id, code, givenName + (familyName.isEmpty() ? "" : " " + familyName), initials(), className, classId);
    }

    private String initials() {
        return first(givenName) + first(familyName);
    }

    private static String first(String name) {
        return name.isEmpty() ? "" : new String(Character.toChars(name.codePointAt(0))).toUpperCase(java.util.Locale.ROOT);
    }
}
