package org.zealousladder.server.learning.skills;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.skills.NextSkill;
import org.zealousladder.core.skills.SkillStanding;
import org.zealousladder.core.skills.SkillState;
import org.zealousladder.server.learning.answers.Answer;
import org.zealousladder.server.learning.answers.AnswersService;
import org.zealousladder.server.learning.answers.Seen;
import org.zealousladder.server.learning.frameworks.Framework;
import org.zealousladder.server.learning.frameworks.FrameworksService;
import org.zealousladder.server.learning.frameworks.Skill;
import org.zealousladder.server.learning.items.Check;
import org.zealousladder.server.learning.items.Item;
import org.zealousladder.server.learning.items.ItemsService;
import org.zealousladder.server.learning.skills.SkillsView.FrameworkName;
import org.zealousladder.server.learning.skills.SkillsView.SkillName;
import org.zealousladder.server.learning.skills.StudentSkills.OwnAnswer;
import org.zealousladder.server.learning.skills.StudentSkills.OwnSeen;
import org.zealousladder.server.learning.skills.StudentSkills.OwnSkill;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;

/** One student's skills: states, what comes next, and every answer. */
@Service
@Transactional(readOnly = true)
class StudentSkillsService {
    private final FrameworksService frameworks;
    private final AnswersService answers;
    private final ItemsService items;
    private final RosterService roster;

    StudentSkillsService(FrameworksService frameworks, AnswersService answers, ItemsService items, RosterService roster) {
        this.frameworks = frameworks;
        this.answers = answers;
        this.items = items;
        this.roster = roster;
    }

    /** @throws Refusal 404 for a student who is not the viewer's, and for a framework that the school does not have */
    StudentSkills view(int student, int yearId, LocalDate asked, @Nullable Integer framework) {
        LocalDate asOf = roster.year(yearId).clamp(asked);
        Enrolled e = roster.enrolledAmong(List.of(student), asOf).stream().findFirst()
                .orElseThrow(() -> Refusal.notFound("That student is not among yours on this day."));
        List<Framework> known = frameworks.frameworks(e.schoolId());
        int chosen = framework == null ? known.stream().map(Framework::id).findFirst().orElse(0) : framework;
        if (known.stream().noneMatch(f -> f.id() == chosen)) {
            throw Refusal.notFound(known.isEmpty() ? "No skills are set up yet." : "There is no such framework of skills in this school.");
        }
        List<Skill> all = frameworks.skills(List.of(chosen));
        Set<Integer> ids = all.stream().map(Skill::id).collect(Collectors.toSet());
        Map<Integer, SkillStanding> standings = answers.evidence(List.of(e), List.of(chosen), asOf).of(e, asOf);
        Map<Integer, SkillState> states = standings.entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, s -> s.getValue().state()));
        List<Answer> given = new ArrayList<>(answers.answers(List.of(e), null, null, asOf));
        Map<Integer, Item> asOfItems = items.items(given.stream().map(Answer::item).collect(Collectors.toSet()));
        given.removeIf(a -> !asOfItems.containsKey(a.item()) || Collections.disjoint(Objects.requireNonNull(asOfItems.get(a.item())).skills(), ids));
        Collections.reverse(given);
        List<Seen> seen = new ArrayList<>(answers.seen(List.of(e), null, asOf).stream().filter(s -> ids.contains(s.skill())).toList());
        Collections.reverse(seen);
        Map<Integer, Check> checks = items.checks(given.stream().map(Answer::check).filter(Objects::nonNull).collect(Collectors.toSet()));
        var next = NextSkill.of(all.stream().map(Skill::id).toList(), states, SkillsService.grounds(all));
        return new StudentSkills(e.ref(), known.stream().map(f -> new FrameworkName(f.id(), f.name())).toList(), chosen,
                all.stream().map(k -> own(k, all, standings, states, last(k.id(), given, asOfItems, seen))).toList(),
                name(all, next.isEmpty() ? -1 : next.getAsInt()),
                given.stream()
                        .map(a -> new OwnAnswer(a.item(), a.day(), a.answer(), a.points() == null ? null : a.share(), checkName(checks, a), a.seconds(),
                                a.source(),
                                a.shows()))
                        .toList(),
                seen.stream().map(s -> new OwnSeen(s.skill(), s.day(), s.name(), s.shown())).toList(),
                given.stream().map(Answer::item).distinct().map(asOfItems::get).map(Objects::requireNonNull).toList());
    }

    private static @Nullable String checkName(Map<Integer, Check> checks, Answer a) {
        Check check = a.check() == null ? null : checks.get(a.check());
        return check == null ? null : check.name();
    }

    private static @Nullable SkillName name(List<Skill> all, int skill) {
        return all.stream().filter(k -> k.id() == skill).map(k -> new SkillName(k.id(), k.name())).findFirst().orElse(null);
    }

    private static @Nullable LocalDate last(int skill, List<Answer> newestFirst, Map<Integer, Item> items, List<Seen> seen) {
        LocalDate answered = newestFirst.stream().filter(a -> Objects.requireNonNull(items.get(a.item())).skills().contains(skill)).map(Answer::day).findFirst()
                .orElse(null);
        LocalDate read = seen.stream().filter(s -> s.skill() == skill).map(Seen::day).findFirst().orElse(null);
        return answered == null || read != null && read.isAfter(answered) ? read : answered;
    }

    private static OwnSkill own(Skill k, List<Skill> all, Map<Integer, SkillStanding> standings, Map<Integer, SkillState> states, @Nullable LocalDate last) {
        SkillStanding s = standings.get(k.id());
        List<SkillName> missing = k.restsOn().stream().filter(g -> states.get(g) != SkillState.SECURE).map(g -> name(all, g)).filter(Objects::nonNull)
                .map(Objects::requireNonNull).toList();
        return new OwnSkill(k.id(), k.name(), k.domain(), k.grade(), s == null ? SkillState.NOT_TRIED : s.state(), s == null ? 0 : s.answers(),
                s == null ? 0 : s.right(), s == null ? 0 : s.chance(), last, missing);
    }
}
