package org.zealousladder.server.school.roster;

import java.text.Collator;
import java.util.Comparator;
import java.util.Locale;

/** A student as every view names one. With names hidden the page shows the code instead. */
public record StudentRef(int id, String code, String name, String initials, String className, int classId) {
    private static final Collator LETTERS = Collator.getInstance(Locale.ROOT);

    /** As people sort names, whatever their letters; as the database sorts them, too. */
    public static final Comparator<StudentRef> BY_NAME = Comparator.comparing(StudentRef::name, LETTERS::compare).thenComparing(StudentRef::id);

    /** What the student is called on a page or in a file: the code where names are hidden. */
    public String called(boolean codes) {
        return codes ? code : name;
    }
}
