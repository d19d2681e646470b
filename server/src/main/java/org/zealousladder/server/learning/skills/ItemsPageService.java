package org.zealousladder.server.learning.skills;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.skills.ItemAnalysis;
import org.zealousladder.core.summary.Quantiles;
import org.zealousladder.server.learning.answers.Answer;
import org.zealousladder.server.learning.answers.AnswersService;
import org.zealousladder.server.learning.frameworks.Framework;
import org.zealousladder.server.learning.frameworks.FrameworksService;
import org.zealousladder.server.learning.items.Check;
import org.zealousladder.server.learning.items.Item;
import org.zealousladder.server.learning.items.ItemsService;
import org.zealousladder.server.learning.skills.ItemsView.AnswerByThird;
import org.zealousladder.server.learning.skills.ItemsView.ItemLine;
import org.zealousladder.server.learning.skills.ItemsView.SkillChoice;
import org.zealousladder.server.learning.skills.ItemsView.TakenCheck;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Who;

/** How the items of a check did. */
@Service
@Transactional(readOnly = true)
class ItemsPageService {
    private final AnswersService answers;
    private final ItemsService items;
    private final FrameworksService frameworks;
    private final RosterService roster;

    ItemsPageService(AnswersService answers, ItemsService items, FrameworksService frameworks, RosterService roster) {
        this.answers = answers;
        this.items = items;
        this.frameworks = frameworks;
        this.roster = roster;
    }

    /** @param check null: the newest that any of the students has taken */
    ItemsView view(Who who, int yearId, LocalDate asked, @Nullable Integer check) {
        LocalDate asOf = roster.year(yearId).clamp(asked);
        List<Enrolled> students = roster.enrolled(who, yearId, asOf);
        List<TakenCheck> taken = answers.taken(students, asOf).stream().sorted(Comparator.comparing(AnswersService.Taken::last).reversed())
                .map(t -> new TakenCheck(t.check(), t.name(), t.last(), t.students())).toList();
        if (check != null && taken.stream().noneMatch(t -> t.id() == check)) {
            throw Refusal.notFound("None of these students has taken that check.");
        }
        List<SkillChoice> skills = choices(roster.school(who));
        if (taken.isEmpty()) {
            return new ItemsView(taken, null, 0, 0, ItemAnalysis.FEWEST, 0, null, null, List.of(), skills);
        }
        int chosen = check == null ? taken.get(0).id() : check;
        return of(taken, requireNonNull(items.checks(List.of(chosen)).get(chosen)), newest(answers.answers(students, null, chosen, asOf)), skills);
    }

    private List<SkillChoice> choices(int school) {
        Map<Integer, Framework> known = frameworks.frameworks(school).stream().collect(Collectors.toMap(Framework::id, Function.identity()));
        return frameworks.skills(known.keySet()).stream()
                .map(k -> new SkillChoice(k.id(), k.name(), requireNonNull(known.get(k.frameworkId())).name())).toList();
    }

    /** Who took it more than once counts as the last time. */
    private static Map<Integer, Map<Integer, Answer>> newest(List<Answer> all) {
        Map<Integer, LocalDate> last = new HashMap<>();
        all.forEach(a -> last.merge(a.student(), a.day(), (x, y) -> x.isAfter(y) ? x : y));
        Map<Integer, Map<Integer, Answer>> by = new LinkedHashMap<>();
        all.stream().filter(a -> a.day().equals(last.get(a.student())) && a.points() != null)
                .forEach(a -> by.computeIfAbsent(a.student(), s -> new HashMap<>()).put(a.item(), a));
        return by;
    }

    private ItemsView of(List<TakenCheck> taken, Check check, Map<Integer, Map<Integer, Answer>> by, List<SkillChoice> skills) {
        Set<Integer> order = check.items().stream().map(Check.Place::item).collect(Collectors.toCollection(LinkedHashSet::new));
        Map<Integer, Item> all = items.items(order);
        List<Integer> columns = order.stream().filter(all::containsKey).toList();
        List<Map<Integer, Answer>> rows = List.copyOf(by.values());
        double[][] points = rows.stream()
                .map(r -> columns.stream().mapToDouble(i -> r.containsKey(i) ? requireNonNull(requireNonNull(r.get(i)).points()) : Double.NaN)
                        .toArray())
                .toArray(double[][]::new);
        double[] possible = columns.stream().mapToDouble(i -> requireNonNull(all.get(i)).possible()).toArray();
        @Nullable
        String[][] given = rows.stream().map(r -> columns.stream().map(i -> r.containsKey(i) ? requireNonNull(r.get(i)).answer() : null).toArray(String[]::new))
                .toArray(String[][]::new);
        ItemAnalysis analysis = new ItemAnalysis(points, possible, given);
        Map<Integer, Double> usual = answers.usualSeconds(columns);
        Map<Integer, String> labels = new HashMap<>();
        check.items().forEach(p -> labels.put(p.item(), p.label()));
        List<ItemLine> lines = new ArrayList<>();
        for (int i = 0; i < columns.size(); i++) {
            Item item = requireNonNull(all.get(columns.get(i)));
            lines.add(line(item, labels.getOrDefault(item.id(), item.code()), analysis, i, rows, usual.get(item.id())));
        }
        return new ItemsView(taken, check.id(), rows.size(), analysis.students(), ItemAnalysis.FEWEST, Arrays.stream(possible).sum(), value(analysis.alpha()),
                value(analysis.sem()), lines, skills);
    }

    private ItemLine line(Item item, String label, ItemAnalysis analysis, int i, List<Map<Integer, Answer>> rows, @Nullable Double usual) {
        ItemAnalysis.Item found = analysis.item(i);
        double[] seconds = rows.stream().map(r -> r.get(item.id())).filter(Objects::nonNull).map(a -> requireNonNull(a).seconds()).filter(Objects::nonNull)
                .mapToDouble(s -> requireNonNull(s)).toArray();
        List<AnswerByThird> given = analysis.given(i).stream()
                .map(g -> new AnswerByThird(g.answer(), g.right(), shows(item, g.answer()), g.n(), g.upper(), g.middle(), g.lower()))
                .toList();
        return new ItemLine(item, label, found.n(), found.shareRight(), value(found.itemRest()), value(found.upper()), value(found.lower()),
                given.stream().filter(g -> g.answer() == null && !g.right()).mapToInt(AnswerByThird::n).sum(),
                seconds.length == 0 ? null : Quantiles.of(seconds).median().orElseThrow(), usual, found.reasons(), given, items.mayWrite(item.schoolId()));
    }

    private static @Nullable String shows(Item item, @Nullable String answer) {
        return answer == null ? null
                : item.keys().stream().filter(k -> k.share() < 1 && k.answer().equalsIgnoreCase(answer.strip())).map(Item.ItemKey::shows)
                        .filter(Objects::nonNull).findFirst()
                        .orElse(null);
    }

    private static @Nullable Double value(OptionalDouble d) {
        return d.isPresent() ? d.getAsDouble() : null;
    }
}
