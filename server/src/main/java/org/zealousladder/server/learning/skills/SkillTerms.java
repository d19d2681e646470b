package org.zealousladder.server.learning.skills;

import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.zealousladder.core.criteria.Noun;
import org.zealousladder.core.criteria.Subject;
import org.zealousladder.core.criteria.Term;
import org.zealousladder.core.skills.SkillStanding;
import org.zealousladder.core.skills.SkillState;
import org.zealousladder.server.learning.answers.AnswersService;
import org.zealousladder.server.learning.frameworks.FrameworksService;
import org.zealousladder.server.learning.frameworks.Skill;
import org.zealousladder.server.platform.criteria.AnswersTerms;
import org.zealousladder.server.platform.criteria.Asking;
import org.zealousladder.server.platform.criteria.Values;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;

/** Who has which skills. Of whom no answer in the framework is on record it cannot be told how many; of one skill, it was not tried. */
@Component
class SkillTerms implements AnswersTerms {
    private final FrameworksService frameworks;
    private final AnswersService answers;
    private final RosterService roster;

    SkillTerms(FrameworksService frameworks, AnswersService answers, RosterService roster) {
        this.frameworks = frameworks;
        this.answers = answers;
        this.roster = roster;
    }

    @Override
    public Map<Term, How> terms() {
        return Map.of(Term.SKILL, this::skill, Term.SKILLS_NOT_YET, (s, a) -> count(s, a, SkillState.NOT_YET), Term.SKILLS_SECURE,
                (s, a) -> count(s, a, SkillState.SECURE));
    }

    private Values skill(Subject s, Asking a) {
        List<Skill> meant = all().stream().filter(k -> k.name().equals(s.about())).toList();
        return Values.figured(ids -> {
            Map<Integer, Object> all = new HashMap<>();
            standings(ids, meant, a)
                    .forEach((student, of) -> all.put(student, said(meant.stream().map(k -> of.get(k.id())).filter(Objects::nonNull).findFirst())));
            return all;
        });
    }

    private static String said(Optional<SkillStanding> standing) {
        SkillState state = standing.map(SkillStanding::state).orElse(SkillState.NOT_TRIED);
        return state == SkillState.TOO_FEW ? "too few answers" : state.code().replace('-', ' ');
    }

    private Values count(Subject s, Asking a, SkillState state) {
        List<Skill> meant = all().stream().filter(k -> s.about() == null || k.area().equals(s.about())).toList();
        Set<Integer> skills = meant.stream().map(Skill::id).collect(Collectors.toSet());
        return Values.figured(ids -> {
            Map<Integer, Object> all = new HashMap<>();
            standings(ids, meant, a).forEach((student, of) -> {
                if (of.keySet().stream().anyMatch(skills::contains)) {
                    all.put(student, (double) of.entrySet().stream().filter(e -> skills.contains(e.getKey()) && e.getValue().state() == state).count());
                }
            });
            return all;
        });
    }

    private Map<Integer, Map<Integer, SkillStanding>> standings(List<Integer> ids, List<Skill> meant, Asking a) {
        Set<Integer> of = meant.stream().map(Skill::frameworkId).collect(Collectors.toSet());
        return a.once(List.of(SkillTerms.class, ids, of), () -> {
            List<Enrolled> students = roster.enrolledAmong(ids, a.asOf());
            AnswersService.Evidence evidence = answers.evidence(students, of, a.asOf());
            return students.stream().collect(Collectors.toMap(Enrolled::id, e -> evidence.of(e, a.asOf())));
        });
    }

    @Override
    public Set<Noun> nouns() {
        return EnumSet.of(Noun.SKILL);
    }

    @Override
    public List<String> names(Noun noun, @Nullable String about) {
        return all().stream().map(Skill::name).distinct().toList();
    }

    /** Of all frameworks that schools of the viewer's use. */
    private List<Skill> all() {
        return frameworks.everySkill(roster.classes().stream().map(c -> c.schoolId()).distinct().toList());
    }
}
