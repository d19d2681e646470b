package org.zealousladder.server.learning.checks;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.skills.CheckBand;
import org.zealousladder.core.skills.ReteachGroups;
import org.zealousladder.server.learning.answers.AnswersService;
import org.zealousladder.server.learning.checks.After.AskedSkill;
import org.zealousladder.server.learning.checks.After.Band;
import org.zealousladder.server.learning.checks.After.BandStudent;
import org.zealousladder.server.learning.checks.After.OwnPage;
import org.zealousladder.server.learning.checks.After.Reteach;
import org.zealousladder.server.learning.checks.ChecksView.AnswerCell;
import org.zealousladder.server.learning.checks.ChecksView.Live;
import org.zealousladder.server.learning.checks.ChecksView.Sitter;
import org.zealousladder.server.learning.frameworks.FrameworksService;
import org.zealousladder.server.learning.frameworks.Skill;
import org.zealousladder.server.learning.items.Item;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.StudentRef;

/** What follows from a check: who goes on, what is taught again to whom, what each student takes home. */
@Service
@Transactional(readOnly = true)
class AfterService {
    private final ChecksService checks;
    private final FrameworksService frameworks;
    private final AnswersService answers;
    private final RosterService roster;
    private final SchoolCalendar calendar;

    AfterService(ChecksService checks, FrameworksService frameworks, AnswersService answers, RosterService roster, SchoolCalendar calendar) {
        this.checks = checks;
        this.frameworks = frameworks;
        this.answers = answers;
        this.roster = roster;
        this.calendar = calendar;
    }

    After after(int giving) {
        Live live = checks.live(giving);
        Map<Integer, Item> items = new LinkedHashMap<>();
        live.check().items().forEach(i -> items.put(i.id(), i));
        List<Sitter> done = live.students().stream().filter(s -> s.state().equals("done")).toList();
        double standard = live.students().isEmpty() ? 0.7
                : answers.settings(roster.enrolled(live.students().get(0).student().id(), calendar.today()).schoolId(), calendar.today()).standard();
        List<Skill> skills = skills(items);
        Map<Integer, Map<Integer, Double>> shares = new LinkedHashMap<>();
        Map<Integer, Sitter> byId = new LinkedHashMap<>();
        done.forEach(s -> {
            shares.put(s.student().id(), shares(s, items));
            byId.put(s.student().id(), s);
        });
        double possible = items.values().stream().mapToDouble(Item::possible).sum();
        return new After(live.given(), standard, done.size(), live.students().size(),
                live.waiting().size(), bands(done, possible, standard),
                skills.stream().map(k -> asked(k, done, items, shares, standard)).toList(), groups(skills, shares, byId, standard),
                done.stream().map(s -> page(s, possible, skills, requireNonNull(shares.get(s.student().id())), standard)).toList());
    }

    /** Those that the items ask for, in the order of teaching. */
    private List<Skill> skills(Map<Integer, Item> items) {
        List<Integer> ids = items.values().stream().flatMap(i -> i.skills().stream()).distinct().toList();
        return frameworks.byIds(ids);
    }

    /** By skill. */
    private static Map<Integer, Double> shares(Sitter s, Map<Integer, Item> items) {
        Map<Integer, double[]> sums = new HashMap<>();
        for (AnswerCell c : s.cells()) {
            Item item = requireNonNull(items.get(c.item()));
            for (int skill : item.skills()) {
                double[] sum = sums.computeIfAbsent(skill, k -> new double[2]);
                sum[0] += c.points() == null ? 0 : c.points();
                sum[1] += item.possible();
            }
        }
        return sums.entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, e -> Math.min(1, e.getValue()[0] / e.getValue()[1])));
    }

    private static List<Band> bands(List<Sitter> done, double possible, double standard) {
        Map<CheckBand, List<BandStudent>> bands = new HashMap<>();
        done.forEach(s -> {
            double share = possible == 0 ? 0 : Math.min(1, s.points() / possible);
            bands.computeIfAbsent(CheckBand.of(share, standard), b -> new ArrayList<>()).add(new BandStudent(s.student(), share));
        });
        return Arrays.stream(CheckBand.values()).map(b -> new Band(b, bands.getOrDefault(b, List.of()))).toList();
    }

    private static AskedSkill asked(Skill k, List<Sitter> done, Map<Integer, Item> items, Map<Integer, Map<Integer, Double>> shares, double standard) {
        int asking = (int) items.values().stream().filter(i -> i.skills().contains(k.id())).count();
        List<StudentRef> below = done.stream().map(Sitter::student).filter(s -> below(requireNonNull(shares.get(s.id())).get(k.id()), standard)).toList();
        return new AskedSkill(k.id(), k.name(),
                shares.values().stream().mapToDouble(own -> own.getOrDefault(k.id(), 0.0)).average().orElse(0), asking, below);
    }

    private static boolean below(@Nullable Double share, double standard) {
        return share != null && CheckBand.of(share, standard) != CheckBand.GO_ON;
    }

    private static List<Reteach> groups(List<Skill> skills, Map<Integer, Map<Integer, Double>> shares, Map<Integer, Sitter> byId, double standard) {
        Map<Integer, String> names = skills.stream().collect(Collectors.toMap(Skill::id, Skill::name));
        Map<Integer, List<Integer>> groups = ReteachGroups.of(shares, skills.stream().map(Skill::id).toList(), standard);
        List<Reteach> all = new ArrayList<>();
        groups.forEach((k, students) -> all.add(new Reteach(k, requireNonNull(names.get(k)), refs(students, byId))));
        List<Integer> on = shares.keySet().stream().filter(s -> groups.values().stream().noneMatch(g -> g.contains(s))).toList();
        if (!on.isEmpty()) {
            all.add(new Reteach(null, "On", refs(on, byId)));
        }
        return all;
    }

    private static List<StudentRef> refs(List<Integer> students, Map<Integer, Sitter> byId) {
        return students.stream().map(s -> requireNonNull(byId.get(s)).student()).toList();
    }

    private static OwnPage page(Sitter s, double possible, List<Skill> skills, Map<Integer, Double> own, double standard) {
        List<String> well = skills.stream().filter(k -> own.containsKey(k.id()) && !below(own.get(k.id()), standard)).map(Skill::name).toList();
        List<String> practise = skills.stream().filter(k -> below(own.get(k.id()), standard)).map(Skill::name).toList();
        return new OwnPage(s.student(), s.points(), possible, well, practise.isEmpty() ? null : practise.get(0),
                practise.size() > 1 ? practise.subList(1, practise.size()) : List.of());
    }
}
