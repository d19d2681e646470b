package org.zealousladder.server.learning.skills;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import org.zealousladder.core.skills.SkillStanding;
import org.zealousladder.core.skills.SkillState;
import org.zealousladder.server.learning.answers.AnswersService;
import org.zealousladder.server.learning.frameworks.FrameworksService;
import org.zealousladder.server.learning.frameworks.Skill;
import org.zealousladder.server.learning.items.Item;
import org.zealousladder.server.learning.items.ItemsService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.texts.Texts;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;

/** Mends the skills that an item asks for: shown first who would move, with a reason, on record, and taken back by mending it once more. */
@Service
class MendService {
    private final ItemsService items;
    private final AnswersService answers;
    private final FrameworksService frameworks;
    private final RosterService roster;
    private final SchoolCalendar calendar;
    private final TransactionTemplate transaction;

    MendService(ItemsService items, AnswersService answers, FrameworksService frameworks, RosterService roster, SchoolCalendar calendar,
            PlatformTransactionManager transactions) {
        this.items = items;
        this.answers = answers;
        this.frameworks = frameworks;
        this.roster = roster;
        this.calendar = calendar;
        this.transaction = new TransactionTemplate(transactions);
    }

    /** @param moved students who would stand otherwise on the skill; of all, so many are and would be secure, not yet, and have tried it */
    record SkillMended(int skill, String name, int moved, int secureNow, int secureThen, int notYetNow, int notYetThen, int triedNow, int triedThen) {}

    /** @param students of the viewer's at school today who have answered the item */
    record MendLook(int students, List<SkillMended> skills) {}

    /** @param before skills by name @param because null where nobody had answered it @param undo skills to which it is taken back */
    record PastMending(List<String> before, List<String> after, @Nullable String because, LocalDate day, @Nullable String by, List<Integer> undo) {}

    private Item item(int id) {
        Item item = items.items(List.of(id)).get(id);
        if (item == null) {
            throw Refusal.notFound("There is no such item.");
        }
        return item;
    }

    /** What would follow: the change is made, looked at and taken back in one transaction. */
    MendLook look(int id, List<Integer> skills) {
        return requireNonNull(transaction.execute(t -> {
            Item item = item(id);
            Set<Integer> touched = new HashSet<>(item.skills());
            touched.addAll(skills);
            touched.removeIf(k -> item.skills().contains(k) && skills.contains(k));
            List<Skill> named = frameworks.byIds(touched);
            List<Enrolled> students = roster.enrolledAmong(answers.answerers(id), calendar.today());
            Map<Integer, Map<Integer, SkillStanding>> now = standings(students, named);
            items.mendSkills(id, skills);
            Map<Integer, Map<Integer, SkillStanding>> then = standings(students, named);
            t.setRollbackOnly();
            return new MendLook(students.size(), named.stream().map(k -> mended(k, students, now, then)).toList());
        }));
    }

    private Map<Integer, Map<Integer, SkillStanding>> standings(List<Enrolled> students, List<Skill> skills) {
        LocalDate today = calendar.today();
        AnswersService.Evidence evidence = answers.evidence(students, skills.stream().map(Skill::frameworkId).collect(Collectors.toSet()), today);
        Map<Integer, Map<Integer, SkillStanding>> all = new HashMap<>();
        students.forEach(e -> all.put(e.id(), evidence.of(e, today)));
        return all;
    }

    private static SkillMended mended(Skill k, List<Enrolled> students, Map<Integer, Map<Integer, SkillStanding>> now,
            Map<Integer, Map<Integer, SkillStanding>> then) {
        int[] n = new int[7];
        for (Enrolled e : students) {
            SkillState was = state(requireNonNull(now.get(e.id())).get(k.id()));
            SkillState becomes = state(requireNonNull(then.get(e.id())).get(k.id()));
            n[0] += was == becomes ? 0 : 1;
            n[1] += was == SkillState.SECURE ? 1 : 0;
            n[2] += becomes == SkillState.SECURE ? 1 : 0;
            n[3] += was == SkillState.NOT_YET ? 1 : 0;
            n[4] += becomes == SkillState.NOT_YET ? 1 : 0;
            n[5] += was == SkillState.NOT_TRIED ? 0 : 1;
            n[6] += becomes == SkillState.NOT_TRIED ? 0 : 1;
        }
        return new SkillMended(k.id(), k.name(), n[0], n[1], n[2], n[3], n[4], n[5], n[6]);
    }

    private static SkillState state(@Nullable SkillStanding s) {
        return s == null ? SkillState.NOT_TRIED : s.state();
    }

    /**
     * Says which skills an item asks for.
     *
     * @param seen those that it asked for when it was looked at; others meanwhile are somebody else's
     * @throws Refusal 409 where somebody else was first, 422 without a reason where it has been answered
     */
    @Transactional
    void mend(int id, List<Integer> skills, @Nullable List<Integer> seen, @Nullable String why) {
        Item item = item(id);
        if (seen != null && !Set.copyOf(seen).equals(Set.copyOf(item.skills()))) {
            throw Refusal.conflict("Somebody else has mended its skills meanwhile. Look at it again; yours was not saved.");
        }
        String because = why == null ? null : Words.orNull(Texts.clean(why));
        if (because == null && !answers.answerers(id).isEmpty()) {
            throw Refusal.invalid("because", "Students have answered it: say why.");
        }
        items.mendSkills(id, skills);
        items.noteMending(id, item.skills(), item(id).skills(), because, calendar.today());
    }

    /** The newest first. */
    @Transactional(readOnly = true)
    List<PastMending> history(int id) {
        item(id);
        List<ItemsService.Mending> all = items.mendings(id);
        Set<Integer> ids = all.stream().flatMap(m -> java.util.stream.Stream.concat(m.before().stream(), m.after().stream())).collect(Collectors.toSet());
        Map<Integer, String> names = frameworks.byIds(ids).stream().collect(Collectors.toMap(Skill::id, Skill::name));
        List<PastMending> past = new ArrayList<>();
        all.forEach(m -> past.add(new PastMending(named(m.before(), names), named(m.after(), names), m.because(), m.day(), m.by(), m.before())));
        return past;
    }

    private static List<String> named(List<Integer> ids, Map<Integer, String> names) {
        return ids.stream().map(i -> names.getOrDefault(i, "a skill that ended")).toList();
    }
}
