package org.zealousladder.server.learning.groups;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.groups.GroupTask;
import org.zealousladder.core.groups.Grouper;
import org.zealousladder.core.groups.LockedOut;
import org.zealousladder.core.groups.Proposal;
import org.zealousladder.core.skills.SkillState;
import org.zealousladder.server.learning.groups.Board.Again;
import org.zealousladder.server.learning.groups.Board.Asking;
import org.zealousladder.server.learning.groups.Board.BoardStudent;
import org.zealousladder.server.learning.groups.Board.BoardView;
import org.zealousladder.server.learning.groups.Board.Looking;
import org.zealousladder.server.learning.groups.Board.Need;
import org.zealousladder.server.learning.groups.Board.Pair;
import org.zealousladder.server.learning.groups.Board.Proposed;
import org.zealousladder.server.learning.groups.Board.ProposedGroup;
import org.zealousladder.server.learning.groups.Board.Stay;
import org.zealousladder.server.learning.groups.Board.Worked;
import org.zealousladder.server.learning.skills.ClassSkills;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.scores.scores.Score;
import org.zealousladder.server.scores.scores.ScoresService;

/** The board: what it begins with, what is proposed, and what groups share. */
@Service
@Transactional(readOnly = true)
class BoardService {
    private final SmallGroupsStore store;
    private final KeptGroupsService kept;
    private final ClassSkills skills;
    private final ScoresService scores;
    private final RosterService roster;

    BoardService(SmallGroupsStore store, KeptGroupsService kept, ClassSkills skills, ScoresService scores, RosterService roster) {
        this.store = store;
        this.kept = kept;
        this.skills = skills;
        this.scores = scores;
        this.roster = roster;
    }

    private List<Enrolled> students(Who who, int yearId, LocalDate asOf) {
        return roster.enrolled(who, yearId, asOf).stream().sorted(Comparator.comparing(Enrolled::ref, StudentRef.BY_NAME)).toList();
    }

    /** @param skill null: the one to teach again, if there is one */
    BoardView view(Who who, int yearId, LocalDate asked, @Nullable Integer framework, @Nullable Integer measure, @Nullable Integer skill) {
        LocalDate asOf = roster.year(yearId).clamp(asked);
        List<Enrolled> students = students(who, yearId, asOf);
        ClassSkills.Choice choice = skills.choice(who, yearId, asOf, framework, measure);
        Integer about = skill != null ? skill : choice.again();
        ClassSkills.Standing on = about == null ? ClassSkills.Standing.NONE : skills.on(students, about, asOf);
        List<Integer> ids = students.stream().map(Enrolled::id).toList();
        return new BoardView(students.stream().map(e -> new BoardStudent(e.ref(), about == null ? null : on.state(e.id()))).toList(), choice.skills(), about,
                store.pairs(ids, asOf), store.adults(roster.school(who)), kept.of(students, asOf));
    }

    /** @throws Refusal 422 for what contradicts itself: sizes that cannot be, locks that cannot hold together */
    Proposed propose(Asking a) {
        if (a.most() < a.least()) {
            throw Refusal.invalid("most", "The largest group is no smaller than the smallest. Choose other sizes.");
        }
        SchoolYear year = roster.year(a.year());
        LocalDate asOf = year.clamp(a.asOf());
        List<Enrolled> students = chosen(a, asOf);
        Map<Integer, Integer> place = new HashMap<>();
        IntStream.range(0, students.size()).forEach(i -> place.put(students.get(i).id(), i));
        ClassSkills.Standing on = standing(students, a.need(), a.skill(), asOf);
        List<Again> met = store.met(place.keySet(), year.starts(), asOf);
        List<Pair> pairs = store.pairs(place.keySet(), asOf);
        GroupTask task = new GroupTask(need(students, a, on, year, asOf),
                met.stream().map(m -> new GroupTask.Met(at(place, m.a()), at(place, m.b()), ChronoUnit.DAYS.between(m.last(), asOf) / 7.0)).toList(), a.least(),
                a.most(),
                a.groups() == null ? 0 : a.groups(), locked(pairs, true, place), locked(pairs, false, place),
                a.stays().stream().filter(s -> place.containsKey(s.student())).collect(Collectors.toMap(s -> at(place, s.student()), Stay::group, (x, y) -> y)),
                new GroupTask.Weights(1, a.fresh(), GroupTask.Weights.USUAL.size()));
        Proposal found;
        try {
            found = Grouper.propose(task, a.seed(), i -> students.get(i).ref().name());
        } catch (LockedOut e) {
            throw Refusal.invalid("groups", requireNonNull(e.getMessage()));
        }
        List<List<Integer>> groups = found.groups().stream().map(g -> g.stream().map(i -> students.get(i).id()).toList()).toList();
        return answer(groups, students, on, a.need(), met, year.starts(), found.tries(), found.cost().total());
    }

    private static int at(Map<Integer, Integer> place, int student) {
        return requireNonNull(place.get(student));
    }

    private static List<GroupTask.Pair> locked(List<Pair> pairs, boolean together, Map<Integer, Integer> place) {
        return pairs.stream().filter(p -> p.together() == together).map(p -> new GroupTask.Pair(at(place, p.a()), at(place, p.b()))).toList();
    }

    private List<Enrolled> chosen(Asking a, LocalDate asOf) {
        Set<Integer> wanted = new HashSet<>(a.students());
        List<Enrolled> students = students(Who.parse(a.who()), a.year(), asOf).stream().filter(e -> wanted.contains(e.id())).toList();
        if (students.size() < wanted.size()) {
            throw Refusal.conflict("Somebody has left this class meanwhile. Open the board again.");
        }
        return students;
    }

    private ClassSkills.Standing standing(List<Enrolled> students, Need need, @Nullable Integer skill, LocalDate asOf) {
        if (need != Need.SKILL && need != Need.MISTAKES) {
            return ClassSkills.Standing.NONE;
        }
        if (skill == null) {
            throw Refusal.invalid("skill", "Say which skill the groups are made by.");
        }
        return skills.on(students, skill, asOf);
    }

    private double[][] need(List<Enrolled> students, Asking a, ClassSkills.Standing on, SchoolYear year, LocalDate asOf) {
        return switch (a.need()) {
            case NONE -> students.stream().map(e -> new double[0]).toArray(double[][]::new);
            case SKILL -> students.stream().map(e -> new double[] {on.chance(e.id())}).toArray(double[][]::new);
            case MISTAKES -> {
                List<String> mistakes = on.mistakes();
                yield students.stream().map(e -> {
                    double[] row = new double[1 + mistakes.size()];
                    row[0] = on.chance(e.id());
                    IntStream.range(0, mistakes.size()).forEach(i -> row[i + 1] = on.makes(e.id(), mistakes.get(i)));
                    return row;
                }).toArray(double[][]::new);
            }
            case SCORE -> {
                if (a.measure() == null) {
                    throw Refusal.invalid("measure", "Say which measure the groups are made by.");
                }
                Map<Integer, Double> newest = new HashMap<>();
                scores.of(students.stream().map(Enrolled::id).toList(), Set.of(a.measure()), year.starts(), asOf).stream().filter(Score::scored)
                        .sorted(Comparator.comparing(Score::takenOn)).forEach(s -> newest.put(s.studentId(), requireNonNull(s.value())));
                double mean = newest.values().stream().mapToDouble(v -> v).average().orElse(0);
                // Of whom nothing is known stands in the middle.
                yield students.stream().map(e -> new double[] {newest.getOrDefault(e.id(), mean)}).toArray(double[][]::new);
            }
        };
    }

    /** What groups share and who meets again in them, when they have been changed by hand. */
    Proposed look(Looking l) {
        SchoolYear year = roster.year(l.year());
        LocalDate asOf = year.clamp(l.asOf());
        Set<Integer> wanted = l.groups().stream().flatMap(List::stream).collect(Collectors.toSet());
        List<Enrolled> students = students(Who.parse(l.who()), l.year(), asOf).stream().filter(e -> wanted.contains(e.id())).toList();
        ClassSkills.Standing on = standing(students, l.need(), l.skill(), asOf);
        Set<Integer> there = students.stream().map(Enrolled::id).collect(Collectors.toSet());
        return answer(l.groups().stream().map(g -> g.stream().filter(there::contains).toList()).toList(), students, on, l.need(),
                store.met(there, year.starts(), asOf),
                year.starts(), 0, 0);
    }

    private static Proposed answer(List<List<Integer>> groups, List<Enrolled> students, ClassSkills.Standing on, Need need, List<Again> met, LocalDate since,
            int tries,
            double cost) {
        Map<Integer, Enrolled> by = students.stream().collect(Collectors.toMap(Enrolled::id, Function.identity()));
        List<String> names = names(groups, on, need);
        List<ProposedGroup> all = new ArrayList<>();
        int pairs = 0;
        int again = 0;
        for (int g = 0; g < groups.size(); g++) {
            Set<Integer> in = new HashSet<>(groups.get(g));
            List<Again> meet = met.stream().filter(m -> in.contains(m.a()) && in.contains(m.b())).toList();
            pairs += in.size() * (in.size() - 1) / 2;
            again += meet.size();
            List<Integer> sorted = groups.get(g).stream().sorted(Comparator.comparing(s -> requireNonNull(by.get(s)).ref(), StudentRef.BY_NAME)).toList();
            all.add(new ProposedGroup(names.get(g), need == Need.SKILL || need == Need.MISTAKES ? on.shares(groups.get(g)) : "", sorted, meet));
        }
        return new Proposed(all, pairs, pairs - again, since, tries, cost);
    }

    /** By what most of a group need; groups of one need are numbered. */
    private static List<String> names(List<List<Integer>> groups, ClassSkills.Standing on, Need need) {
        List<String> plain = groups.stream().map(g -> need == Need.SKILL || need == Need.MISTAKES ? name(g, on) : "Group").toList();
        Map<String, Integer> next = new LinkedHashMap<>();
        return plain.stream().map(n -> {
            boolean several = plain.stream().filter(n::equals).count() > 1;
            return several ? n + " " + next.merge(n, 1, Integer::sum) : n;
        }).toList();
    }

    private static String name(List<Integer> group, ClassSkills.Standing on) {
        Map<SkillState, Long> n = group.stream().collect(Collectors.groupingBy(on::state, Collectors.counting()));
        SkillState most = n.entrySet().stream().max(Map.Entry.<SkillState, Long>comparingByValue().thenComparing(Map.Entry.comparingByKey()))
                .map(Map.Entry::getKey)
                .orElse(SkillState.NOT_TRIED);
        return switch (most) {
            case NOT_YET -> "Again";
            case SHAKY -> "Once more";
            case SECURE -> "On";
            case TOO_FEW, NOT_TRIED -> "To find out";
        };
    }

    Worked worked(Who who, int yearId, LocalDate asked) {
        SchoolYear year = roster.year(yearId);
        LocalDate asOf = year.clamp(asked);
        List<Enrolled> students = students(who, yearId, asOf);
        Collection<Integer> ids = students.stream().map(Enrolled::id).toList();
        return new Worked(students.stream().map(Enrolled::ref).toList(), store.met(ids, year.starts(), asOf), year.starts(),
                store.kept(ids, year.starts(), asOf).size());
    }

}
