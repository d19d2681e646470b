package org.zealousladder.server.overview.find;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.zealousladder.server.overview.find.Naive.TODAY;
import static org.zealousladder.server.overview.find.Naive.YEAR;

import java.time.LocalDate;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.zealousladder.core.criteria.Criterion.Condition;
import org.zealousladder.core.criteria.CriterionParser;
import org.zealousladder.core.criteria.Term;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Every term, held against the same worked out in the plainest way, for every student of the demo; those that are reckoned, against what the views show. */
class TermsTest extends UntouchedDemoTest {
    @Autowired
    private FindService find;

    private final Map<String, IntFunction<@Nullable Boolean>> asked = new LinkedHashMap<>();
    private Naive n;

    private void ask(String criterion, IntFunction<@Nullable Boolean> naive) {
        asked.put(criterion, naive);
    }

    private static @Nullable Boolean under(@Nullable Double value, double limit) {
        return value == null ? null : (Boolean) (value < limit);
    }

    @Test
    void everyTermIsWhatItSays() {
        groups();
        n = asking(Viewer.SYSTEM, () -> new Naive(db));
        whereTheyAre();
        scores();
        plans();
        days();
        reckoned();
        List<Integer> students = n.students();
        EnumSet<Term> seen = EnumSet.noneOf(Term.class);
        asked.forEach((criterion, naive) -> {
            FindService.Found found = asking(Viewer.SYSTEM, () -> find.find(criterion, null, TODAY));
            Map<Boolean, Set<Integer>> by = students.stream().filter(s -> naive.apply(s) != null)
                    .collect(Collectors.partitioningBy(s -> Objects.requireNonNull(naive.apply(s)), Collectors.toSet()));
            assertEquals(by.get(true), Set.copyOf(found.found()), criterion);
            assertEquals(students.stream().filter(s -> naive.apply(s) == null).collect(Collectors.toSet()), Set.copyOf(found.cannotTell()),
                    "cannot tell: " + criterion);
            CriterionParser.parse(criterion).conditions().stream().map(Condition::subject).forEach(s -> seen.add(s.term()));
            // What nobody or everybody is proves little.
            assertTrue(!found.found().isEmpty() && found.found().size() < students.size(), "says nothing: " + criterion);
        });
        assertEquals(EnumSet.of(Term.ON_LIST), EnumSet.complementOf(seen), "lists are asked in FindStudentsTest");
    }

    /** The demo has none: two in a group, one of whom has left it, and three at a table. */
    private void groups() {
        asking(Viewer.SYSTEM, () -> {
            int school = db.sql("select id from roster_school where code = 'SKERROW'").query(Integer.class).single();
            int group = db.sql("insert into roster_group (code, school_id, year_id, name) values ('EARLY', :s, :y, 'Early readers') returning id")
                    .param("s", school)
                    .param("y", thisYear()).query(Integer.class).single();
            db.sql("insert into roster_member (group_id, student_id, starts, ends) values (:g, :a, '2025-09-01', null), (:g, :b, '2025-09-01', '2026-02-01')")
                    .param("g", group).param("a", student("Zuri Halloran")).param("b", student("Noor Ellery")).update();
            int arrangement = db.sql(
                    "insert into groups_arrangement (school_id, year_id, title, standing, starts) values (:s, :y, 'Readers', true, '2026-01-12') returning id")
                    .param("s", school).param("y", thisYear()).query(Integer.class).single();
            int table = db.sql("insert into groups_table (arrangement_id, place, name) values (:a, 1, 'Herons') returning id").param("a", arrangement)
                    .query(Integer.class)
                    .single();
            return db.sql("insert into groups_seat (table_id, student_id, starts) select :t, s, '2026-01-12' from unnest(:students::integer[]) s")
                    .param("t", table)
                    .param("students", new Integer[] {student("Zuri Halloran"), student("Noor Ellery"), student("Sunniva Hale")}).update();
        });
        int zuri = student("Zuri Halloran");
        Set<Integer> herons = Set.of(zuri, student("Noor Ellery"), student("Sunniva Hale"));
        ask("teaching group is early readers", s -> s == zuri);
        ask("small group is not Herons", s -> !herons.contains(s));
    }

    private void whereTheyAre() {
        ask("class is one of kittiwake, TERN", s -> Set.of("Kittiwake", "Tern").contains(n.place(s).className()));
        ask("grade is from 3 to 4", s -> n.place(s).grade() >= 3);
        ask("school is Skerrow Island School and not (grade is 2)", s -> n.place(s).grade() != 2);
        ask("enrolled since 1 Oct 2025", s -> !n.place(s).starts().isBefore(LocalDate.of(2025, 10, 1)));
        ask("support is Individual plan", s -> grouped(s, "Support").contains("Individual plan"));
        ask("support is on record", s -> !grouped(s, "Support").isEmpty());
        ask("grouping \"Language at home\" is none of Tamil, Somali",
                s -> grouped(s, "Language at home").stream().noneMatch(Set.of("Tamil", "Somali")::contains));
    }

    private Set<String> grouped(int student, String grouping) {
        return n.groups.stream().filter(g -> g.student() == student && g.grouping().equals(grouping)).map(Naive.Group::value).collect(Collectors.toSet());
    }

    private void scores() {
        Naive.Window winter = n.window("Winter", "2025-26");
        Naive.Window autumn = n.window("Autumn", "2025-26");
        Naive.Window before = n.window("Winter", "2024-25");
        ask("score in Oral reading is under 60", s -> under(last(n.scores(s, "Oral reading", LocalDate.MIN, TODAY), 1), 60));
        ask("score in Oral reading in winter is under 60", s -> under(n.screened(s, "Oral reading", winter), 60));
        ask("score in Oral reading in winter 2024-25 is under 60", s -> under(n.screened(s, "Oral reading", before), 60));
        ask("score in Oral reading in the last 2 weeks is under 90", s -> under(last(n.scores(s, "Oral reading", TODAY.minusDays(13), TODAY), 1), 90));
        ask("score in Maze in winter is on record", s -> n.screened(s, "Maze", winter) != null);
        ask("any of whose last 3 scores in Oral reading are under 60", s -> {
            List<Double> all = n.scores(s, "Oral reading", LocalDate.MIN, TODAY);
            return all.size() < 3 ? null : (Boolean) all.subList(all.size() - 3, all.size()).stream().anyMatch(v -> v < 60);
        });
        ask("all of whose last 3 scores in Oral reading are under 60", s -> {
            List<Double> all = n.scores(s, "Oral reading", LocalDate.MIN, TODAY);
            return all.size() < 3 ? null : (Boolean) all.subList(all.size() - 3, all.size()).stream().allMatch(v -> v < 60);
        });
        ask("gain in Oral reading from autumn to winter is under 8",
                s -> under(minus(n.screened(s, "Oral reading", winter), n.screened(s, "Oral reading", autumn)), 8));
        ask("gain in Oral reading from winter 2024-25 to winter is under 30",
                s -> under(minus(n.screened(s, "Oral reading", winter), n.screened(s, "Oral reading", before)), 30));
        ask("gain in Maze is under 2", s -> {
            List<Double> all = n.scores(s, "Maze", YEAR, TODAY);
            return all.size() < 2 ? null : (Boolean) (all.get(all.size() - 1) - all.get(0) < 2);
        });
        ask("percentile in Oral reading in winter is under 25", s -> under(n.percentile(s, "Oral reading", winter), 25));
        ask("percentile in Maze in autumn 2024-25 is at least 75", s -> {
            Double p = n.percentile(s, "Maze", n.window("Autumn", "2024-25"));
            return p == null ? null : (Boolean) (p >= 75);
        });
        ask("band in Oral reading in winter is not Secure",
                s -> n.band(s, "Oral reading", winter) == null ? null : (Boolean) !n.band(s, "Oral reading", winter).name().equals("Secure"));
        ask("tier in Maths screen in winter 2024-25 is 3",
                s -> n.band(s, "Maths screen", before) == null ? null : (Boolean) (n.band(s, "Maths screen", before).tier() == 3));
        ask("tier in Reading is 3",
                s -> n.tiers.stream().filter(t -> t.student() == s && t.area().equals("Reading")).map(t -> t.tier() == 3).findFirst().orElse(null));
        ask("not screened in Oral reading in winter", s -> n.screened(s, "Oral reading", winter) == null);
        ask("not screened in Maze in winter 2024-25", s -> n.places.stream().noneMatch(p -> p.student() == s && p.on(before.ends())) ? null
                : (Boolean) (n.screened(s, "Maze", before) == null));
        ask("screening result in Oral reading in winter is one of absent, missing, exempt", s -> n.screened(s, "Oral reading", winter) == null);
        ask("close call in Oral reading in winter", s -> n.close(s, "Oral reading", winter));
    }

    private static @Nullable Double last(List<Double> all, int from) {
        return all.size() < from ? null : all.get(all.size() - from);
    }

    private static @Nullable Double minus(@Nullable Double a, @Nullable Double b) {
        return a == null || b == null ? null : (Double) (a - b);
    }

    private void plans() {
        ask("goal in Oral reading", s -> n.goals.stream().anyMatch(g -> g.student() == s && g.measure().equals("Oral reading") && !g.ends().isBefore(TODAY)));
        ask("no running plan in Reading", s -> !n.running(s, p -> p.area().equals("Reading")));
        ask("running plan", s -> n.running(s, p -> true));
        ask("plan from 1 Sep 2025 to 31 Oct 2025", s -> n.plans.stream().anyMatch(p -> p.student() == s && !p.starts().isAfter(LocalDate.of(2025, 10, 31))
                && (p.ends() == null || p.ends().isAfter(LocalDate.of(2025, 9, 1)))));
        ask("strategy is Paired reading", s -> n.strategies(s).contains("Paired reading"));
        List<String> levels = List.of("keep an eye on", "needs help", "needs much help");
        ask("concern in Reading is needs help",
                s -> n.concerns.stream().anyMatch(c -> c.student() == s && c.area().equals("Reading") && levels.get(c.level() - 1).equals("needs help")));
        ask("at least 2 of (running plan; concern is on record; tier in Reading is 3)", s -> {
            List<Boolean> tier = n.tiers.stream().filter(t -> t.student() == s && t.area().equals("Reading")).map(t -> t.tier() == 3).toList();
            long yes = (n.running(s, p -> true) ? 1 : 0) + (n.concerns.stream().anyMatch(c -> c.student() == s && c.level() > 0) ? 1 : 0)
                    + (tier.contains(true) ? 1 : 0);
            return yes >= 2 ? (Boolean) true : tier.isEmpty() && yes == 1 ? null : (Boolean) false;
        });
    }

    private void days() {
        ask("days absent are over 7", s -> n.days(s, "absent", YEAR, TODAY) > 7);
        ask("days absent since 1 Jan 2026 are over 3", s -> n.days(s, "absent", LocalDate.of(2026, 1, 1), TODAY) > 3);
        ask("days late from 1 Sep 2025 to 31 Dec 2025 are at least 1", s -> n.days(s, "late", LocalDate.of(2025, 9, 1), LocalDate.of(2025, 12, 31)) >= 1);
        ask("share of days absent is at least 5 %", s -> n.shareAbsent(s, YEAR, TODAY) >= 5);
        ask("share of days absent in the last 8 weeks is at least 5 %", s -> n.shareAbsent(s, TODAY.minusDays(55), TODAY) >= 5);
        ask("minutes of activity in the last 4 weeks are under 120", s -> under(n.minutes(s, TODAY.minusDays(27), TODAY), 120));
        ask("contact with home since 1 Jan 2026", s -> n.contacts.stream().anyMatch(c -> c.student() == s && !c.onDay().isBefore(LocalDate.of(2026, 1, 1))));
        ask("no contact with home", s -> n.contacts.stream().noneMatch(c -> c.student() == s && !c.onDay().isBefore(YEAR)));
    }

    /** From what the pages show of the whole school. */
    private void reckoned() {
        Viewer coordinator = person("m.tveit");
        int school = db.sql("select id from roster_school where code = 'SKERROW'").query(Integer.class).single();
        String scope = "who=school-" + school + "&year=" + thisYear() + "&asOf=2026-03-13";
        Map<Integer, JsonNode> cards = new HashMap<>();
        body(read(coordinator, "/api/trends?" + scope + "&measure=" + measure("oral-reading"))).path("cards")
                .forEach(c -> cards.put(c.path("student").path("id").asInt(), c));
        ask("rate of improvement in Oral reading is under 1",
                s -> number(cards.get(s), c -> c.path("phases").isEmpty() || c.path("goal").isMissingNode() ? null : newest(c), 1));
        ask("chance of the goal in Oral reading is under 50 %", s -> number(cards.get(s), TermsTest::chance, 50));
        ask("proposal in Oral reading is change the plan", s -> cards.get(s) == null || cards.get(s).path("proposal").isMissingNode() ? null
                : (Boolean) cards.get(s).path("proposal").path("kind").asString("").equals("change"));
        Set<Integer> due = new java.util.HashSet<>();
        body(read(coordinator, "/api/desk?" + scope + "&first=500")).path("decide").forEach(d -> due.add(d.path("card").path("student").path("id").asInt()));
        ask("decision due", due::contains);
        Map<Integer, JsonNode> weeks = new HashMap<>();
        JsonNode seen = body(read(coordinator, "/api/engagement/weeks?" + scope));
        seen.path("rows").forEach(w -> weeks.put(w.path("student").path("id").asInt(), w));
        seen.path("nothing").forEach(w -> weeks.remove(w.path("id").asInt()));
        ask("engagement flag is one of quiet, not seen",
                s -> weeks.get(s) == null ? null : (Boolean) (said(weeks.get(s), "quiet") || said(weeks.get(s), "not-seen")));
        Map<Integer, JsonNode> work = new HashMap<>();
        body(read(coordinator, "/api/work?" + scope)).path("rows").forEach(w -> work.put(w.path("student").path("id").asInt(), w));
        ask("pieces of work not in are at least 3", s -> work.get(s) == null ? null : (Boolean) (work.get(s).path("missing").asInt() >= 3));
        ask("share of points is under 70 %",
                s -> number(work.get(s), w -> w.path("earned").isNumber() ? (Double) (100 * w.path("earned").asDouble()) : null, 70));
        Map<Integer, JsonNode> skills = new HashMap<>();
        int maths = asking(Viewer.SYSTEM, () -> db.sql("select id from skills_framework where name = 'Skerrow maths'").query(Integer.class).single());
        n.students().forEach(s -> skills.put(s,
                body(read(coordinator, "/api/skills/students/" + s + "?year=" + thisYear() + "&asOf=2026-03-13&framework=" + maths)).path("skills")));
        ask("skill \"Add with one regrouping\" is not yet", s -> states(skills.get(s), "Add with one regrouping").contains("not-yet"));
        ask("skills not yet in Maths are over 4",
                s -> tried(skills.get(s)) ? (Boolean) (states(skills.get(s), null).stream().filter("not-yet"::equals).count() > 4) : null);
        ask("skills secure in Maths are at least 5",
                s -> tried(skills.get(s)) ? (Boolean) (states(skills.get(s), null).stream().filter("secure"::equals).count() >= 5) : null);
        Map<Integer, Double> sessions = new HashMap<>();
        body(read(coordinator, "/api/plans?" + scope + "&measure=" + measure("oral-reading"))).path("rows").forEach(r -> {
            JsonNode plan = r.path("plan");
            if (plan.path("planned").asInt() > 0) {
                sessions.put(r.path("student").path("id").asInt(), 100.0 * plan.path("given").asInt() / plan.path("planned").asInt());
            }
        });
        ask("share of sessions given in Oral reading is under 80 %", s -> under(sessions.get(s), 80));
    }

    private static boolean tried(JsonNode skills) {
        return states(skills, null).stream().anyMatch(x -> !x.equals("not-tried"));
    }

    private static List<String> states(JsonNode skills, @Nullable String name) {
        List<String> all = new java.util.ArrayList<>();
        skills.forEach(k -> {
            if (name == null || k.path("name").asString("").equals(name)) {
                all.add(k.path("state").asString(""));
            }
        });
        return all;
    }

    private static @Nullable Double chance(JsonNode card) {
        java.util.regex.Matcher m = java.util.regex.Pattern.compile("Chance of the goal (?:under |over )?(\\d+) %")
                .matcher(card.path("proposal").path("reason").asString(""));
        return m.find() ? Double.valueOf(m.group(1)) : null;
    }

    private static boolean said(JsonNode row, String rule) {
        for (JsonNode f : row.path("flags")) {
            if (f.path("rule").asString("").equals(rule)) {
                return true;
            }
        }
        return false;
    }

    private static @Nullable Double newest(JsonNode card) {
        JsonNode phases = card.path("phases");
        JsonNode last = phases.get(phases.size() - 1);
        return last.path("slope").asDouble();
    }

    private static @Nullable Boolean number(@Nullable JsonNode card, java.util.function.Function<JsonNode, @Nullable Double> what, double limit) {
        return card == null ? null : under(what.apply(card), limit);
    }
}
