package org.zealousladder.server.overview.find;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.zealousladder.core.criteria.Asked;
import org.zealousladder.core.criteria.CriterionText;
import org.zealousladder.core.criteria.Noun;
import org.zealousladder.core.criteria.Term;
import org.zealousladder.core.criteria.Truth;
import org.zealousladder.core.criteria.When;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.Who;

/**
 * Ten thousand criteria at random, of every form: none is a server's error, and what is put together of conditions answers as Kleene's logic says from what
 * each of them answers by itself. Some hundred conditions are asked of the database by themselves; the rest are put together of those, many in a statement.
 */
class AnyCriterionTest extends UntouchedDemoTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 3, 13);

    @Autowired
    private FindService find;
    @Autowired
    private Vocabulary vocabulary;
    private final Random random = new Random(1414);
    private final Map<Noun, List<String>> names = new EnumMap<>(Noun.class);

    /** Those that are reckoned outside of the database take longest, and come in one of eight statements. */
    private static final Set<Term> RECKONED = EnumSet.of(Term.IMPROVEMENT, Term.CHANCE, Term.DECISION_DUE, Term.PROPOSAL, Term.SESSIONS, Term.ENGAGEMENT,
            Term.WORK_NOT_IN,
            Term.SHARE_OF_POINTS, Term.SKILL, Term.SKILLS_NOT_YET, Term.SKILLS_SECURE);

    private record Answer(String text, Set<Integer> yes, Set<Integer> cannotTell) {
        Truth of(int student) {
            return yes.contains(student) ? Truth.YES : cannotTell.contains(student) ? Truth.CANNOT_TELL : Truth.NO;
        }
    }

    @Test
    void noneFailsAndAllAreLogical() {
        Viewer teacher = person("r.oduya");
        Who who = new Who(Who.Kind.CLASS, classId("2025-KITTIWAKE"), null);
        List<Answer> conditions = new ArrayList<>();
        List<Answer> inSql = new ArrayList<>();
        asking(teacher, () -> {
            for (int i = 0; i < 320; i++) {
                Term t = Term.values()[i % Term.values().length];
                FindService.Found f = find.find(condition(t), who, TODAY);
                Answer one = new Answer(f.text(), Set.copyOf(f.found()), Set.copyOf(f.cannotTell()));
                conditions.add(one);
                if (!RECKONED.contains(t)) {
                    inSql.add(one);
                }
            }
            return null;
        });
        Set<Integer> students = new HashSet<>(asking(teacher, () -> find.find("grade is at least 0", who, TODAY)).found());
        int asked = 0;
        for (int batch = 0; asked < 9_680; batch++) {
            // Many in one statement, each in its own bracket: what the whole answers follows from what each does.
            List<Answer> pool = new ArrayList<>();
            for (int k = 0; k < 7; k++) {
                List<Answer> from = batch % 8 == 0 ? conditions : inSql;
                pool.add(from.get(random.nextInt(from.size())));
            }
            List<Answer> some = new ArrayList<>();
            for (int k = 0; k < 16; k++) {
                some.add(combined(pool, students, 2));
            }
            asked += some.size();
            int n = 1 + random.nextInt(some.size());
            String text = "at least " + n + " of (" + String.join("; ", some.stream().map(Answer::text).toList()) + ")";
            if (count(text) > 60) {
                // More than one criterion may hold: each by itself then.
                some.forEach(one -> check(teacher, who, one.text(), students, one));
            } else {
                check(teacher, who, text, students, put(text, students, s -> Truth.atLeast(n, some.stream().map(a -> a.of(s)).toList())));
            }
        }
        assertEquals(10_000, asked + conditions.size());
    }

    private static int count(String text) {
        return text.split("\\b(whose|who are|who were|who have)\\b").length;
    }

    private void check(Viewer viewer, Who who, String text, Set<Integer> students, Answer expected) {
        FindService.Found found = asking(viewer, () -> find.find(text, who, TODAY));
        assertEquals(expected.yes(), Set.copyOf(found.found()), text);
        assertEquals(expected.cannotTell(), Set.copyOf(found.cannotTell()), text);
        assertEquals(found.text(), CriterionText.of(org.zealousladder.core.criteria.CriterionParser.parse(found.text())).text());
    }

    private static Answer put(String text, Set<Integer> students, java.util.function.IntFunction<Truth> of) {
        Set<Integer> yes = new HashSet<>();
        Set<Integer> cannot = new HashSet<>();
        for (int s : students) {
            Truth t = of.apply(s);
            if (t == Truth.YES) {
                yes.add(s);
            } else if (t == Truth.CANNOT_TELL) {
                cannot.add(s);
            }
        }
        return new Answer(text, yes, cannot);
    }

    private Answer combined(List<Answer> of, Set<Integer> students, int depth) {
        Answer a = depth > 1 && random.nextBoolean() ? combined(of, students, depth - 1) : of.get(random.nextInt(of.size()));
        Answer b = of.get(random.nextInt(of.size()));
        return switch (random.nextInt(6)) {
            case 0 -> put("((" + a.text() + ") and (" + b.text() + "))", students, s -> Truth.all(List.of(a.of(s), b.of(s))));
            case 1 -> put("((" + a.text() + ") or (" + b.text() + "))", students, s -> Truth.any(List.of(a.of(s), b.of(s))));
            case 2 -> put("not (" + a.text() + ")", students, s -> a.of(s).not());
            case 3 -> put("none of (" + a.text() + "; " + b.text() + ")", students, s -> Truth.any(List.of(a.of(s), b.of(s))).not());
            case 4 -> put("at least 2 of (" + a.text() + "; " + b.text() + "; not (" + a.text() + "))", students,
                    s -> Truth.atLeast(2, List.of(a.of(s), b.of(s), a.of(s).not())));
            default -> a;
        };
    }

    private String name(Noun noun) {
        List<String> all = names.computeIfAbsent(noun, n -> vocabulary.names(n, n == Noun.GROUPING_VALUE ? "Support" : null));
        return CriterionText.name(all.get(random.nextInt(all.size())));
    }

    private String condition(Term t) {
        StringBuilder text = new StringBuilder();
        Noun noun = t.about();
        boolean last = t.times().contains(When.Kind.LAST_SCORES) && random.nextInt(4) == 0;
        if (last) {
            text.append(random.nextBoolean() ? "any" : "all").append(" of whose last ").append(1 + random.nextInt(4)).append(" scores");
        } else {
            text.append(random.nextInt(5) == 0 && t.asked() instanceof Asked.YesNo ? "not " : "").append(t.words());
        }
        if (noun != null && vocabulary.names(noun, null).isEmpty()) {
            return "grade is 3";
        }
        if (noun != null && (t.needsAbout() || random.nextBoolean())) {
            text.append(" in ").append(noun == Noun.GROUPING ? "Support" : name(noun));
        }
        text.append(last ? "" : when(t));
        return text + test(t);
    }

    private String when(Term t) {
        List<String> all = new ArrayList<>(List.of(""));
        if (t.times().contains(When.Kind.WINDOW)) {
            all.addAll(List.of(" in " + name(Noun.WINDOW), " in " + name(Noun.WINDOW) + " 2024-25"));
        }
        if (t.times().contains(When.Kind.STEP)) {
            all.add(" from " + name(Noun.WINDOW) + " 2024-25 to " + name(Noun.WINDOW));
        }
        if (t.times().contains(When.Kind.SPAN)) {
            all.addAll(List.of(" since 1 Oct 2025", " until 1 Feb 2026", " in the last 3 weeks", " from 1 Sep 2024 to 30 Jun 2025"));
        }
        return all.get(random.nextInt(all.size()));
    }

    private String test(Term t) {
        if (t.asked() instanceof Asked.YesNo) {
            return "";
        } else if (random.nextInt(8) == 0) {
            return random.nextBoolean() ? " is on record" : " is not on record";
        } else if (t.asked() instanceof Asked.Number) {
            int n = random.nextInt(70);
            return " is " + List.of("under " + n, "at least " + n, "not " + n, n + "", "from " + n + " to " + (n + 20)).get(random.nextInt(5));
        } else if (t.asked() instanceof Asked.OneOf o) {
            return " is one of " + String.join(", ", o.words().subList(0, 1 + random.nextInt(o.words().size())));
        }
        Noun noun = ((Asked.Named) t.asked()).noun();
        boolean none = vocabulary.names(noun, noun == Noun.GROUPING_VALUE ? "Support" : null).isEmpty();
        return none ? " is on record" : (random.nextBoolean() ? " is " : " is not ") + name(noun);
    }
}
