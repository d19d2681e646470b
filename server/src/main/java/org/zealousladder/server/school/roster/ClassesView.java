package org.zealousladder.server.school.roster;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A year's classes and teaching groups with who is in them today.
 *
 * @param teachers of whom a group can be
 * @param caseloads who is on whose, of those that the viewer may open
 * @param ended classes that have ended, or will before their year
 * @param mayMove whether the viewer moves students between classes
 * @param mayGroup whether the viewer makes groups
 */
public record ClassesView(LocalDate today, SchoolYear year, List<ClassRef> classes, List<InClass> students, List<GroupRow> groups, List<Member> members,
        List<TeacherRef> teachers, List<OnCaseload> caseloads, List<EndedClass> ended, boolean mayMove, boolean mayGroup) {

    public record InClass(int classId, int id, String givenName, String familyName, String code, LocalDate starts) {}

    public record GroupRow(int id, String name, @Nullable String subject, int schoolId, @Nullable LocalDate ends, List<Leader> teachers) {}

    /** Who leads a group. */
    public record Leader(int id, String name) {}

    public record Member(int groupId, int id, String givenName, String familyName, String code, LocalDate starts) {}

    public record OnCaseload(int personId, int id, String givenName, String familyName, String code, LocalDate starts) {}

    public record EndedClass(int id, LocalDate ends) {}

    /** Of nobody's school where somebody works for all. */
    public record TeacherRef(int id, String name, int schoolId) {}
}
