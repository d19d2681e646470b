package org.zealousladder.server.overview.find;

import static java.util.Map.entry;

import java.text.Normalizer;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.zealousladder.core.criteria.Asked;
import org.zealousladder.core.criteria.Criterion;
import org.zealousladder.core.criteria.Criterion.Condition;
import org.zealousladder.core.criteria.MistakeException;
import org.zealousladder.core.criteria.Near;
import org.zealousladder.core.criteria.Noun;
import org.zealousladder.core.criteria.Place;
import org.zealousladder.core.criteria.Subject;
import org.zealousladder.core.criteria.Term;
import org.zealousladder.core.criteria.Test;
import org.zealousladder.core.criteria.When;
import org.zealousladder.server.platform.criteria.AnswersTerms;
import org.zealousladder.server.platform.criteria.AnswersTerms.How;
import org.zealousladder.server.platform.criteria.Values;
import org.zealousladder.server.school.sight.Sight;
import org.zealousladder.server.school.sight.SightService;

/** All terms and names that the capabilities declare, and names in a criterion put right: as they are on record, whatever letters they were typed in. */
@Component
class Vocabulary {
    /** What a term speaks of, where it may be hidden; supports and contacts answer for themselves. */
    private static final Map<Term, Set<Sight>> OF = Map.ofEntries(entry(Term.DAYS_ABSENT, Set.of(Sight.ATTENDANCE)),
            entry(Term.SHARE_ABSENT, Set.of(Sight.ATTENDANCE)), entry(Term.DAYS_LATE, Set.of(Sight.ATTENDANCE)), entry(Term.MINUTES, Set.of(Sight.TIME)),
            entry(Term.ENGAGEMENT, Set.of(Sight.ATTENDANCE, Sight.TIME, Sight.WORK)), entry(Term.WORK_NOT_IN, Set.of(Sight.WORK)),
            entry(Term.SHARE_OF_POINTS, Set.of(Sight.WORK)), entry(Term.SKILL, Set.of(Sight.SKILLS)), entry(Term.SKILLS_NOT_YET, Set.of(Sight.SKILLS)),
            entry(Term.SKILLS_SECURE, Set.of(Sight.SKILLS)), entry(Term.TIER, Set.of(Sight.TIERS)), entry(Term.RUNNING_PLAN, Set.of(Sight.PLANS)),
            entry(Term.PLAN, Set.of(Sight.PLANS)), entry(Term.STRATEGY, Set.of(Sight.PLANS)), entry(Term.SESSIONS, Set.of(Sight.PLANS)),
            entry(Term.CONCERN, Set.of(Sight.PLANS)));

    private final Map<Term, How> terms = new EnumMap<>(Term.class);
    private final Map<Noun, AnswersTerms> nouns = new EnumMap<>(Noun.class);

    private final SightService sight;

    Vocabulary(List<AnswersTerms> declared, SightService sight) {
        this.sight = sight;
        declared.forEach(d -> d.terms().forEach((term, how) -> {
            if (terms.put(term, how) != null) {
                throw new IllegalStateException(term + " is answered twice");
            }
        }));
        declared.forEach(d -> d.nouns().forEach(n -> nouns.put(n, d)));
        for (Term t : Term.values()) {
            if (!terms.containsKey(t)) {
                throw new IllegalStateException("nobody answers " + t);
            }
        }
    }

    /** How a term is asked; of what the viewer's role does not see nothing can be told. */
    How how(Term term) {
        How how = java.util.Objects.requireNonNull(terms.get(term));
        Set<Sight> of = OF.getOrDefault(term, Set.of());
        return of.isEmpty() ? how
                : (s, asking) -> asking.once(Sight.class, sight::unseen).stream().anyMatch(of::contains) ? Values.unseen()
                        : how.of(s, asking);
    }

    List<String> names(Noun noun, @Nullable String about) {
        return java.util.Objects.requireNonNull(nouns.get(noun), noun::name).names(noun, about);
    }

    /** Puts names right; reads each kind of name once. */
    Names reader() {
        return new Names();
    }

    /** Names read for one criterion. */
    final class Names {
        private record Key(Noun noun, @Nullable String about) {}

        private final Map<Key, List<String>> read = new HashMap<>();

        /** @throws MistakeException at the first name that is not known */
        Criterion resolved(Criterion c) {
            if (c instanceof Condition k) {
                Subject s = resolved(k.subject());
                return new Condition(s, test(k, s), k.testPlace());
            } else if (c instanceof Criterion.And a) {
                return new Criterion.And(a.of().stream().map(this::resolved).toList());
            } else if (c instanceof Criterion.Or o) {
                return new Criterion.Or(o.of().stream().map(this::resolved).toList());
            } else if (c instanceof Criterion.Not n) {
                return new Criterion.Not(resolved(n.of()));
            } else if (c instanceof Criterion.Counted n) {
                return new Criterion.Counted(n.howMany(), n.n(), n.of().stream().map(this::resolved).toList());
            }
            return c;
        }

        Subject resolved(Subject s) {
            Noun noun = s.term().about();
            String about = s.about() == null || noun == null ? null : named(noun, null, s.about(), s.aboutPlace(), window(s));
            return new Subject(s.term(), about, when(s), s.place(), s.aboutPlace(), s.whenPlace());
        }

        /** Who says a window where a measure should be is told how it goes. */
        private String window(Subject s) {
            return s.about() != null && s.term().times().contains(When.Kind.WINDOW) && known(Noun.WINDOW, null).stream().anyMatch(w -> same(w, s.about()))
                    ? " Say first of what, then when: " + s.term().words() + " in … in " + s.about() + "."
                    : "";
        }

        private When when(Subject s) {
            if (s.when() instanceof When.InWindow w) {
                return window(w, s.whenPlace());
            } else if (s.when() instanceof When.Step step) {
                return new When.Step(window(step.from(), s.whenPlace()), window(step.to(), s.whenPlace()));
            }
            return s.when();
        }

        private When.InWindow window(When.InWindow w, Place place) {
            return new When.InWindow(named(Noun.WINDOW, null, w.window(), place, ""), w.year() == null ? null : named(Noun.YEAR, null, w.year(), place, ""));
        }

        private Test test(Condition c, Subject s) {
            if (c.test() instanceof Test.IsWord w && s.term().asked() instanceof Asked.Named n) {
                String about = n.noun() == Noun.GROUPING_VALUE ? s.about() : null;
                return new Test.IsWord(w.not(), w.words().stream().map(x -> named(n.noun(), about, x, c.testPlace(), "")).toList());
            }
            return c.test();
        }

        private List<String> known(Noun noun, @Nullable String about) {
            return read.computeIfAbsent(new Key(noun, about), k -> names(noun, about));
        }

        private String named(Noun noun, @Nullable String about, String said, Place place, String more) {
            List<String> known = known(noun, about);
            return known.stream().filter(said::equals).findFirst().or(() -> known.stream().filter(k -> same(k, said)).findFirst()).orElseThrow(() -> {
                String near = Near.of(said, known).map(n -> " Did you mean " + n + "?").orElse("");
                String none = known.isEmpty() ? " There is none yet that you can use." : "";
                return new MistakeException(place, "'" + said + "' is not " + noun.words() + (about == null ? "" : " of " + about) + "." + near + more + none,
                        known.stream().limit(30).toList());
            });
        }
    }

    static boolean same(String a, String b) {
        return plain(a).equals(plain(b));
    }

    /** Without accents, in small letters, with one kind of dash. */
    private static String plain(String name) {
        return Normalizer.normalize(name, Normalizer.Form.NFD).replaceAll("\\p{M}+", "").replaceAll("[–—/]", "-").replaceAll("\\s+", " ").strip()
                .toLowerCase(Locale.ROOT);
    }
}
