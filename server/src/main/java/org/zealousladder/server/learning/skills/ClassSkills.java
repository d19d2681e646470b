package org.zealousladder.server.learning.skills;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.skills.SharedMistake;
import org.zealousladder.core.skills.SkillStanding;
import org.zealousladder.core.skills.SkillState;
import org.zealousladder.server.learning.answers.Answer;
import org.zealousladder.server.learning.answers.AnswersService;
import org.zealousladder.server.learning.frameworks.FrameworksService;
import org.zealousladder.server.learning.skills.SkillsView.SkillName;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.Who;

/** How some students stand on one skill and how they go wrong, for others to make groups of. */
@Service
@Transactional(readOnly = true)
public class ClassSkills {
    private final SkillsService skills;
    private final FrameworksService frameworks;
    private final AnswersService answers;

    ClassSkills(SkillsService skills, FrameworksService frameworks, AnswersService answers) {
        this.skills = skills;
        this.frameworks = frameworks;
        this.answers = answers;
    }

    /** @param skills that any of them has tried, in the order of the view @param again the one to teach again; null for none */
    public record Choice(List<SkillName> skills, @Nullable Integer again) {}

    public Choice choice(Who who, int year, LocalDate asOf, @Nullable Integer framework, @Nullable Integer measure) {
        SkillsView view = skills.view(who, year, asOf, framework, measure);
        return new Choice(view.rows().stream().filter(r -> r.counts().tried() > 0).map(r -> new SkillName(r.id(), r.name())).toList(),
                view.again() == null ? null : requireNonNull(view.again()).skill());
    }

    /** How students stand on a skill, with the wrong answers they last gave. */
    public static final class Standing {
        /** Of no skill. */
        public static final Standing NONE = new Standing(Map.of(), List.of());

        private final Map<Integer, SkillStanding> standings;
        private final List<SharedMistake.Wrong> wrong;

        private Standing(Map<Integer, SkillStanding> standings, List<SharedMistake.Wrong> wrong) {
            this.standings = standings;
            this.wrong = wrong;
        }

        public SkillState state(int student) {
            SkillStanding s = standings.get(student);
            return s == null ? SkillState.NOT_TRIED : s.state();
        }

        /** Of being at the standard; a half where nothing is known. */
        public double chance(int student) {
            SkillStanding s = standings.get(student);
            return s == null ? 0.5 : s.chance();
        }

        /** What wrong answers of at least two students show, the most frequent first. */
        public List<String> mistakes() {
            Map<String, Set<Integer>> by = new TreeMap<>();
            wrong.stream().filter(w -> w.shows() != null).forEach(w -> by.computeIfAbsent(requireNonNull(w.shows()), k -> new HashSet<>()).add(w.student()));
            return by.entrySet().stream().filter(e -> e.getValue().size() > 1).sorted((x, y) -> y.getValue().size() - x.getValue().size())
                    .map(Map.Entry::getKey).toList();
        }

        /** The share of a student's wrong answers that show a mistake. */
        public double makes(int student, String mistake) {
            List<SharedMistake.Wrong> own = wrong.stream().filter(w -> w.student() == student).toList();
            return own.isEmpty() ? 0 : (double) own.stream().filter(w -> mistake.equals(w.shows())).count() / own.size();
        }

        /** What some of them share, in a sentence; of nobody nothing. */
        public String shares(Collection<Integer> group) {
            if (group.isEmpty()) {
                return "";
            }
            Set<Integer> those = new HashSet<>(group);
            String mistake = SharedMistake.of(wrong.stream().filter(w -> those.contains(w.student()) && w.shows() != null).toList(), group.size())
                    .map(m -> (m.students().size() == group.size() ? "All: " : m.students().size() + " of " + group.size() + ": ") + m.shows() + ".")
                    .orElse("");
            Map<SkillState, Long> n = group.stream().collect(Collectors.groupingBy(this::state, TreeMap::new, Collectors.counting()));
            String states = n.entrySet().stream().map(e -> e.getValue() + " " + e.getKey().code().replace('-', ' ')).collect(Collectors.joining(", "));
            return mistake.isEmpty() ? Character.toUpperCase(states.charAt(0)) + states.substring(1) + "." : mistake;
        }
    }

    /** @throws org.zealousladder.server.platform.problems.Refusal 404 for a skill that there is not */
    public Standing on(List<Enrolled> students, int skill, LocalDate asOf) {
        int framework = frameworks.frameworkOf(skill);
        AnswersService.Evidence evidence = answers.evidence(students, List.of(framework), asOf);
        Map<Integer, SkillStanding> standings = new HashMap<>();
        students.forEach(e -> {
            SkillStanding s = evidence.of(e, asOf).get(skill);
            if (s != null) {
                standings.put(e.id(), s);
            }
        });
        Map<List<Integer>, Answer> newest = new LinkedHashMap<>();
        answers.answers(students, skill, null, asOf).forEach(a -> newest.put(List.of(a.student(), a.item()), a));
        return new Standing(standings, newest.values().stream().filter(a -> a.answer() != null && a.points() != null && !a.right())
                .map(a -> new SharedMistake.Wrong(a.student(), a.item(), requireNonNull(a.answer()), a.shows())).toList());
    }
}
