package org.zealousladder.server.learning.skills;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.Interval;
import org.zealousladder.core.skills.ClassSkill;
import org.zealousladder.core.skills.NextSkill;
import org.zealousladder.core.skills.SharedMistake;
import org.zealousladder.core.skills.SkillSettings;
import org.zealousladder.core.skills.SkillStanding;
import org.zealousladder.core.skills.SkillState;
import org.zealousladder.core.summary.Shares;
import org.zealousladder.server.learning.answers.Answer;
import org.zealousladder.server.learning.answers.AnswersService;
import org.zealousladder.server.learning.frameworks.Framework;
import org.zealousladder.server.learning.frameworks.FrameworksService;
import org.zealousladder.server.learning.frameworks.Skill;
import org.zealousladder.server.learning.items.Check;
import org.zealousladder.server.learning.items.Item;
import org.zealousladder.server.learning.items.ItemsService;
import org.zealousladder.server.learning.skills.SkillsView.ClassCounts;
import org.zealousladder.server.learning.skills.SkillsView.FrameworkName;
import org.zealousladder.server.learning.skills.SkillsView.GivenAnswer;
import org.zealousladder.server.learning.skills.SkillsView.Meaning;
import org.zealousladder.server.learning.skills.SkillsView.MistakeShared;
import org.zealousladder.server.learning.skills.SkillsView.SeenReading;
import org.zealousladder.server.learning.skills.SkillsView.SkillDetail;
import org.zealousladder.server.learning.skills.SkillsView.SkillItem;
import org.zealousladder.server.learning.skills.SkillsView.SkillName;
import org.zealousladder.server.learning.skills.SkillsView.SkillRow;
import org.zealousladder.server.learning.skills.SkillsView.SkillStudent;
import org.zealousladder.server.learning.skills.SkillsView.SkillTrend;
import org.zealousladder.server.learning.skills.SkillsView.Standings;
import org.zealousladder.server.learning.skills.SkillsView.TeachAgain;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;

/** A class, a grade or a school on the skills of a framework, and one skill opened. */
@Service
@Transactional(readOnly = true)
class SkillsService {
    /** Fewer who do not have a skill are helped at their desks. */
    private static final int WORTH_TEACHING = 2;
    /** Columns of answers beside each other. */
    private static final int MOST_ITEMS = 16;

    private final FrameworksService frameworks;
    private final AnswersService answers;
    private final ItemsService items;
    private final RosterService roster;
    private final MeasuresService measures;
    private final TaughtService taught;

    SkillsService(FrameworksService frameworks, AnswersService answers, ItemsService items, RosterService roster, MeasuresService measures,
            TaughtService taught) {
        this.frameworks = frameworks;
        this.answers = answers;
        this.items = items;
        this.roster = roster;
        this.measures = measures;
        this.taught = taught;
    }

    /** Students, what they are looked at by, and what is known of them. @param all skills of the framework in the order of teaching */
    private record Asked(Who who, LocalDate asOf, SchoolYear year, List<Enrolled> students, List<Skill> all, AnswersService.Evidence evidence,
            Map<Integer, Map<Integer, SkillStanding>> standings) {
        SkillState state(Enrolled e, int skill) {
            SkillStanding s = requireNonNull(standings.get(e.id())).get(skill);
            return s == null ? SkillState.NOT_TRIED : s.state();
        }

        @Nullable
        SkillName name(OptionalInt skill) {
            return skill.isEmpty() ? null
                    : all.stream().filter(k -> k.id() == skill.getAsInt()).map(k -> new SkillName(k.id(), k.name())).findFirst().orElse(null);
        }
    }

    private Asked ask(Who who, int yearId, LocalDate asked, int framework) {
        SchoolYear year = roster.year(yearId);
        LocalDate asOf = year.clamp(asked);
        List<Enrolled> students = roster.enrolled(who, yearId, asOf).stream().sorted(Comparator.comparing(Enrolled::ref, StudentRef.BY_NAME)).toList();
        List<Skill> all = frameworks.skills(List.of(framework));
        AnswersService.Evidence evidence = answers.evidence(students, List.of(framework), asOf);
        return new Asked(who, asOf, year, students, all, evidence,
                students.stream().collect(Collectors.toMap(Enrolled::id, e -> evidence.of(e, asOf))));
    }

    /**
     * The view.
     *
     * @param framework null: the one that has the area of {@code measure}, else the first
     */
    SkillsView view(Who who, int yearId, LocalDate asked, @Nullable Integer framework, @Nullable Integer measure) {
        int school = roster.school(who);
        List<Framework> known = frameworks.frameworks(school);
        List<FrameworkName> names = known.stream().map(f -> new FrameworkName(f.id(), f.name())).toList();
        Integer chosen = choose(known, framework, measure, asked);
        SkillSettings by = answers.settings(school, asked);
        Meaning meaning = new Meaning(by.standard(), by.sureness(), by.halfLife());
        boolean mayTeach = taught.mayTell(who);
        if (chosen == null) {
            return new SkillsView(names, null, meaning, null, List.of(), who.small(), List.of(), null, mayTeach);
        }
        Asked a = ask(who, yearId, asked, chosen);
        Map<Integer, LocalDate> now = taught.of(who, a.asOf());
        List<SkillRow> rows = a.all().stream().map(k -> row(a, k, now)).toList();
        // Equals stay in the order of teaching.
        Map<Integer, ClassSkill> order = a.all().stream().collect(Collectors.toMap(Skill::id, k -> counted(a.students(), e -> a.state(e, k.id()))));
        List<SkillRow> sorted = rows.stream()
                .sorted(Comparator.comparing((SkillRow r) -> requireNonNull(order.get(r.id())), ClassSkill.MOST_SECURE_FIRST)).toList();
        Set<Integer> grades = a.students().stream().map(Enrolled::grade).collect(Collectors.toSet());
        return new SkillsView(names, chosen, meaning, grades.size() == 1 ? grades.iterator().next() : null, a.students().stream().map(Enrolled::ref).toList(),
                who.small(), sorted, again(a, rows), mayTeach);
    }

    /** The framework asked for, else the one that has the area of the measure, else the first; null where there is none. */
    @Nullable
    Integer choose(List<Framework> known, @Nullable Integer framework, @Nullable Integer measure, LocalDate asked) {
        if (framework != null) {
            return known.stream().map(Framework::id).filter(framework::equals).findFirst()
                    .orElseThrow(() -> Refusal.notFound("There is no such framework of skills in this school."));
        }
        if (known.size() > 1 && measure != null) {
            var of = measures.byId(asked).get(measure);
            if (of != null) {
                for (Skill k : frameworks.skills(known.stream().map(Framework::id).toList())) {
                    if (k.area().equalsIgnoreCase(of.area())) {
                        return k.frameworkId();
                    }
                }
            }
        }
        return known.isEmpty() ? null : known.get(0).id();
    }

    private static ClassSkill counted(List<Enrolled> students, Function<Enrolled, SkillState> state) {
        return ClassSkill.of(students.stream().map(state).toList());
    }

    private static SkillRow row(Asked a, Skill k, Map<Integer, LocalDate> now) {
        Standings standings = null;
        List<ClassCounts> classes = List.of();
        if (a.who().small()) {
            Map<SkillState, List<Integer>> by = new EnumMap<>(SkillState.class);
            a.students().forEach(e -> by.computeIfAbsent(a.state(e, k.id()), s -> new ArrayList<>()).add(e.id()));
            standings = new Standings(by.getOrDefault(SkillState.SECURE, List.of()), by.getOrDefault(SkillState.SHAKY, List.of()),
                    by.getOrDefault(SkillState.NOT_YET, List.of()), by.getOrDefault(SkillState.TOO_FEW, List.of()),
                    by.getOrDefault(SkillState.NOT_TRIED, List.of()));
        } else {
            Map<Integer, List<Enrolled>> by = a.students().stream().collect(Collectors.groupingBy(Enrolled::classId, LinkedHashMap::new, Collectors.toList()));
            classes = by.entrySet().stream()
                    .map(c -> new ClassCounts(c.getKey(), c.getValue().get(0).className(), SkillsView.counts(counted(c.getValue(), e -> a.state(e, k.id())))))
                    .sorted(Comparator.comparing(ClassCounts::name)).toList();
        }
        return new SkillRow(k.id(), k.name(), k.statement(), k.area(), k.domain(), k.grade(), now.containsKey(k.id()), now.get(k.id()),
                SkillsView.counts(counted(a.students(), e -> a.state(e, k.id()))), standings, classes);
    }

    /** Of what is being taught, what most do not have; where nothing is told to be taught, of what enough have tried. */
    private static @Nullable TeachAgain again(Asked a, List<SkillRow> rows) {
        boolean told = rows.stream().anyMatch(SkillRow::taught);
        return rows.stream().filter(r -> told ? r.taught() : r.counts().enough()).filter(r -> r.counts().notYet() >= WORTH_TEACHING)
                .min(Comparator.comparing((SkillRow r) -> -r.counts().notYet())).map(r -> new TeachAgain(r.id(), r.taught(), next(a, r.id()))).orElse(null);
    }

    private static @Nullable SkillName next(Asked a, int skill) {
        Skill of = a.all().stream().filter(k -> k.id() == skill).findFirst().orElseThrow();
        return a.name(NextSkill.after(skill, a.all().stream().filter(k -> k.domain().equals(of.domain())).map(Skill::id).toList(),
                a.all().stream().map(Skill::id).toList(), grounds(a.all())));
    }

    static Map<Integer, Set<Integer>> grounds(List<Skill> skills) {
        return skills.stream().collect(Collectors.toMap(Skill::id, k -> Set.copyOf(k.restsOn())));
    }

    /**
     * A skill opened.
     *
     * @throws Refusal 404 for one that the framework does not have
     */
    SkillDetail detail(Who who, int yearId, LocalDate asked, int framework, int skill) {
        Asked a = ask(who, yearId, asked, framework);
        Skill of = a.all().stream().filter(k -> k.id() == skill).findFirst().orElseThrow(() -> Refusal.notFound("There is no such skill in the framework."));
        List<Answer> given = answers.answers(a.students(), skill, null, a.asOf());
        List<SkillItem> columns = columns(given);
        Set<Integer> shown = columns.stream().map(c -> c.item().id()).collect(Collectors.toCollection(HashSet::new));
        List<Answer> newest = List.copyOf(given.stream().filter(g -> shown.contains(g.item()))
                .collect(Collectors.toMap(g -> List.of(g.student(), g.item()), g -> g, (x, y) -> y, LinkedHashMap::new)).values());
        List<SkillStudent> students = a.students().stream().map(e -> standing(a, e, skill)).sorted(Comparator.comparing(SkillStudent::state)).toList();
        Set<Integer> without = students.stream().filter(s -> s.state() == SkillState.NOT_YET).map(s -> s.student().id()).collect(Collectors.toSet());
        MistakeShared mistake = SharedMistake
                .of(newest.stream().filter(g -> without.contains(g.student()) && g.answer() != null && g.points() != null && !g.right())
                        .map(g -> new SharedMistake.Wrong(g.student(), g.item(), requireNonNull(g.answer()), g.shows())).toList(), without.size())
                .map(m -> new MistakeShared(m.shows(), m.item(), m.answer(), List.copyOf(m.students()), m.of())).orElse(null);
        int[] choices = columns.stream().mapToInt(c -> c.item().choices()).filter(n -> n > 1).toArray();
        return new SkillDetail(row(a, of, taught.of(who, a.asOf())), students, columns,
                newest.stream().map(g -> new GivenAnswer(g.student(), g.item(), g.answer(), g.points() == null ? null : g.share(), g.day(), g.shows()))
                        .toList(),
                answers.seen(a.students(), skill, a.asOf()).stream().map(s -> new SeenReading(s.student(), s.day(), s.name(), s.shown())).toList(), mistake,
                Arrays.stream(choices).mapToDouble(n -> 1.0 / n).sum(), choices.length, trend(a, skill, given),
                of.restsOn().stream().map(g -> a.name(OptionalInt.of(g))).filter(Objects::nonNull).map(Objects::requireNonNull).toList(),
                next(a, skill));
    }

    private static SkillStudent standing(Asked a, Enrolled e, int skill) {
        SkillStanding s = requireNonNull(a.standings().get(e.id())).get(skill);
        return s == null ? new SkillStudent(e.ref(), SkillState.NOT_TRIED, 0, 0, 0) : new SkillStudent(e.ref(), s.state(), s.answers(), s.right(), s.chance());
    }

    /** Items by the day of their newest answer, the newest last; of many, the newest. */
    private List<SkillItem> columns(List<Answer> given) {
        Map<Integer, List<Answer>> by = given.stream().collect(Collectors.groupingBy(Answer::item));
        Map<Integer, Item> all = items.items(by.keySet());
        Map<Integer, Check> checks = items.checks(given.stream().map(Answer::check).filter(Objects::nonNull).collect(Collectors.toSet()));
        List<SkillItem> columns = by.entrySet().stream().filter(e -> all.containsKey(e.getKey())).map(e -> {
            Item item = requireNonNull(all.get(e.getKey()));
            Answer last = e.getValue().get(e.getValue().size() - 1);
            Check check = last.check() == null ? null : checks.get(last.check());
            String label = check == null ? item.code()
                    : check.items().stream().filter(p -> p.item() == item.id()).map(Check.Place::label).findFirst().orElse(item.code());
            return new SkillItem(item, label, check == null ? null : check.name(), last.day(), e.getValue().size(),
                    e.getValue().stream().mapToDouble(Answer::share).average().orElse(0));
        }).sorted(Comparator.comparing(SkillItem::last).thenComparing(c -> c.item().id())).toList();
        return columns.subList(Math.max(0, columns.size() - MOST_ITEMS), columns.size());
    }

    private List<SkillTrend> trend(Asked a, int skill, List<Answer> given) {
        Map<String, List<Answer>> by = given.stream().filter(g -> g.check() != null && g.points() != null && !g.day().isBefore(a.year().starts()))
                .collect(Collectors.groupingBy(g -> g.check() + " " + g.day(), LinkedHashMap::new, Collectors.toList()));
        Map<Integer, Check> checks = items.checks(given.stream().map(Answer::check).filter(Objects::nonNull).collect(Collectors.toSet()));
        List<SkillTrend> all = new ArrayList<>();
        by.values().forEach(of -> {
            LocalDate day = of.get(0).day();
            double right = of.stream().mapToDouble(Answer::share).sum();
            Interval share = Shares.wilson(right, of.size());
            ClassSkill then = counted(a.students(), e -> {
                SkillStanding s = a.evidence().of(e, day).get(skill);
                return s == null ? SkillState.NOT_TRIED : s.state();
            });
            Check check = checks.get(requireNonNull(of.get(0).check()));
            all.add(new SkillTrend(check == null ? "" : check.name(), day, (int) of.stream().map(Answer::student).distinct().count(), share.value(),
                    share.low(),
                    share.high(), then.secure(), then.tried()));
        });
        return all;
    }
}
