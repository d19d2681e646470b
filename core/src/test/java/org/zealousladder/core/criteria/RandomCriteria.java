package org.zealousladder.core.criteria;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.Supplier;
import org.zealousladder.core.criteria.Criterion.Condition;
import org.zealousladder.core.criteria.Criterion.Counted;
import org.zealousladder.core.criteria.Criterion.HowMany;

/** Criteria of every form, by a seed. */
final class RandomCriteria {
    private static final List<String> NAMES = List.of("Maze", "Oral reading", "Words and meaning", "Tables of 2, 5 and 10", "He said \"no\"", "Ærø 2", "2B",
            "2025-26", "12",
            "in", "St. Olaf", "Noun.", "O'Hara", "is under 3; or (", "日本", "not yet", "'; drop table roster_student; --", "A  b", "“odd”");

    private final Random random;

    RandomCriteria(long seed) {
        random = new Random(seed);
    }

    Criterion next(int depth) {
        int form = depth == 0 ? 0 : random.nextInt(7);
        return switch (form) {
            case 1 -> new Criterion.And(several(depth, 2));
            case 2 -> new Criterion.Or(several(depth, 2));
            case 3 -> new Criterion.Not(next(depth - 1));
            case 4 -> {
                HowMany how = HowMany.values()[random.nextInt(4)];
                List<Criterion> of = several(depth, 1);
                yield new Counted(how, how == HowMany.AT_LEAST ? 1 + random.nextInt(of.size()) : 0, of);
            }
            default -> condition();
        };
    }

    private List<Criterion> several(int depth, int least) {
        List<Criterion> all = new ArrayList<>();
        for (int n = least + random.nextInt(3); n > 0; n--) {
            all.add(next(depth - 1));
        }
        return List.copyOf(all);
    }

    private Condition condition() {
        Term term = Term.values()[random.nextInt(Term.values().length)];
        boolean said = term.about() != null && (term.needsAbout() || random.nextBoolean());
        Subject subject = Subject.of(term, said ? name() : null, when(term));
        return Condition.of(subject, test(term));
    }

    private String name() {
        return NAMES.get(random.nextInt(NAMES.size()));
    }

    private LocalDate day() {
        return LocalDate.of(2024, 8, 1).plusDays(random.nextInt(600));
    }

    private When.InWindow window() {
        return new When.InWindow(name(), random.nextBoolean() ? null : "2024-25");
    }

    private When when(Term term) {
        List<Supplier<When>> all = new ArrayList<>(List.of(When.Unsaid::new));
        if (term.times().contains(When.Kind.WINDOW)) {
            all.add(this::window);
        }
        if (term.times().contains(When.Kind.STEP)) {
            all.add(() -> new When.Step(window(), window()));
        }
        if (term.times().contains(When.Kind.LAST_SCORES)) {
            all.add(() -> new When.LastScores(1 + random.nextInt(9), random.nextBoolean()));
        }
        if (term.times().contains(When.Kind.SPAN)) {
            all.add(() -> new When.Latest(1 + random.nextInt(9), When.Unit.values()[random.nextInt(2)]));
            LocalDate from = day();
            all.add(() -> new When.Days(from, random.nextBoolean() ? null : from.plusDays(random.nextInt(90))));
            all.add(() -> new When.Days(null, from));
        }
        return all.get(random.nextInt(all.size())).get();
    }

    private Test test(Term term) {
        if (term.asked() instanceof Asked.YesNo) {
            return new Test.Holds();
        } else if (random.nextInt(8) == 0) {
            return new Test.OnRecord(random.nextBoolean());
        } else if (term.asked() instanceof Asked.Number) {
            Test.Compare by = Test.Compare.values()[random.nextInt(Test.Compare.values().length)];
            double value = (random.nextInt(4000) - 500) / (random.nextBoolean() ? 1.0 : 8.0);
            return new Test.IsNumber(by, value, by == Test.Compare.FROM_TO ? value + random.nextInt(20) : null);
        }
        List<String> words = new ArrayList<>();
        for (int n = 1 + random.nextInt(3); n > 0; n--) {
            words.add(term.asked() instanceof Asked.OneOf o ? o.words().get(random.nextInt(o.words().size())) : name());
        }
        return new Test.IsWord(random.nextBoolean(), List.copyOf(words));
    }
}
