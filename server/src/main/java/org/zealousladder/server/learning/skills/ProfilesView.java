package org.zealousladder.server.learning.skills;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.skills.SkillProfile;
import org.zealousladder.server.learning.skills.SkillsView.FrameworkName;
import org.zealousladder.server.school.roster.StudentRef;

/**
 * Students by the domains in which they are strong or weak.
 *
 * @param domains in the order of teaching, of which enough is known in the grade
 * @param unknown domains of which too little is known
 * @param patterns students with the same pattern together, those with something to tell first
 * @param untold of whom too little is known
 */
record ProfilesView(List<FrameworkName> frameworks, @Nullable Integer framework, List<String> domains, List<String> unknown, List<Pattern> patterns,
        List<StudentRef> untold, List<Advice> advice, boolean mayWrite) {

    /** @param marks what is strong or weak; empty: nothing is */
    record Pattern(List<DomainMark> marks, List<ProfileStudent> students) {}

    /** A domain that is told. */
    record DomainMark(String domain, SkillProfile.Own own) {}

    /** A student with every domain. */
    record ProfileStudent(StudentRef student, List<DomainStanding> domains, List<Followed> followed) {}

    /**
     * A student in a domain.
     *
     * @param answers 0: too few are known
     * @param z against the grade @param own against the student's own mean @param ofClass whether above (1) or below (-1) the class's mean apart from chance
     */
    record DomainStanding(String domain, int answers, @Nullable Double right, @Nullable Double z, SkillProfile.Own own, int ofClass) {}

    /** What is advised. @param mayChange whether the viewer may */
    record Advice(int id, String domain, SkillProfile.Own own, String advice, boolean mayChange) {}

    /** Advice that was followed. */
    record Followed(int advice, LocalDate on) {}
}
