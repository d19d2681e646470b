package org.zealousladder.core.criteria;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.criteria.Criterion.Condition;

/**
 * Reads one condition:
 *
 * <pre>
 * condition = [("any" | "all") "of" [lead] "last" n] subject test
 * subject   = term [preposition name] [when]
 * </pre>
 *
 * A term that answers yes or no has no test. Which term takes a name, which times and which test is {@link Term}'s to say.
 */
final class ConditionReader {
    private static final String[] LEADS = {"students", "whose", "who", "have", "has", "had", "are", "is", "were", "was", "the", "a", "an", "their", "newest"};
    private static final String[] PREPOSITIONS = {"in", "of", "for", "with", "on", "about"};

    /** A way to write a term. */
    private record Written(String words, Term term) {}

    /** The longest first, so that "days absent" is not taken for a name after something shorter. */
    private static final List<Written> WRITTEN = Arrays.stream(Term.values()).flatMap(t -> {
        List<String> all = new ArrayList<>(t.alsoWritten());
        all.add(t.words());
        return all.stream().map(w -> new Written(w, t));
    }).sorted(Comparator.comparing((Written w) -> -w.words().length())).toList();

    private final Reader reader;

    ConditionReader(Reader reader) {
        this.reader = reader;
    }

    /** Takes the words that lead to a term. @return whether they turn it round: who have <i>no</i> goal */
    boolean lead() {
        boolean turned = false;
        while (true) {
            if (reader.tookAny("no", "not")) {
                turned = !turned;
            } else if (!reader.tookAny(LEADS)) {
                return turned;
            }
        }
    }

    Condition condition() {
        When.@Nullable LastScores last = lastScores();
        lead();
        Subject subject = subject(last);
        if (subject.term().asked() instanceof Asked.YesNo) {
            return new Condition(subject, new Test.Holds(), Place.NOWHERE);
        }
        Place start = reader.now().place();
        Test test = new TestReader(reader).test(subject);
        return new Condition(subject, test, start.to(reader.last()));
    }

    /** A subject by itself. */
    Subject column() {
        lead();
        return subject(null);
    }

    private When.@Nullable LastScores lastScores() {
        int before = reader.position();
        boolean all = reader.took("all");
        if (!all && !reader.took("any") || !reader.took("of")) {
            reader.back(before);
            return null;
        }
        reader.tookAny("whose", "the", "their");
        if (!reader.took("last")) {
            throw reader.mistake("Say of what: any of whose last 3 scores, or any of (…; …).", List.of("whose last", "("));
        }
        Integer n = reader.count();
        if (n == null || n > 50) {
            throw reader.mistake("Say how many of the last scores, from 1 to 50.", List.of("3"));
        }
        return new When.LastScores(n, all);
    }

    private Subject subject(When.@Nullable LastScores last) {
        Place start = reader.now().place();
        Term term = term();
        Place aboutStart = reader.now().place();
        String about = about(term);
        Place aboutEnd = about == null ? aboutStart : reader.last();
        Place aboutPlace = about == null ? Place.NOWHERE : new Place(aboutName(aboutStart, aboutEnd), aboutEnd.end());
        Place whenStart = reader.now().place();
        int before = reader.position();
        When when = new WhenReader(reader, term).when(last);
        Place whenPlace = reader.position() == before ? Place.NOWHERE : whenStart.to(reader.last());
        return new Subject(term, about, when, start.to(reader.last()), aboutPlace, whenPlace);
    }

    private int aboutStarts;

    /** Where the name itself begins, after its preposition. */
    private int aboutName(Place start, Place end) {
        return Math.min(Math.max(aboutStarts, start.start()), end.end());
    }

    private Term term() {
        Optional<Written> found = WRITTEN.stream().filter(w -> reader.took(w.words())).findFirst();
        return found.map(Written::term).orElseThrow(() -> {
            List<String> all = Arrays.stream(Term.values()).map(Term::words).toList();
            if (reader.ended()) {
                return reader.mistake("Here a condition should follow.", all);
            }
            String word = reader.now().text().toLowerCase(Locale.ROOT);
            String near = Near.of(word, all).map(n -> " Did you mean " + n + "?").orElse("");
            return reader.mistake("'" + reader.now().text() + "' is nothing that can be asked of students." + near, all);
        });
    }

    private @Nullable String about(Term term) {
        Noun noun = term.about();
        if (noun == null) {
            return null;
        }
        int before = reader.position();
        boolean said = !comesSpan() && reader.tookAny(PREPOSITIONS);
        aboutStarts = reader.now().place().start();
        Optional<String> name = said || !comesSpan() ? reader.name() : Optional.empty();
        if (name.isPresent()) {
            return name.get();
        }
        if (said || term.needsAbout()) {
            String how = noun == Noun.GROUPING || noun == Noun.LIST || noun == Noun.SKILL ? " …" : " in …";
            throw reader.mistake("Say " + noun.words() + ": " + term.words() + how + ". A name with words like in or and stands in quotation marks.",
                    List.of(noun.words()));
        }
        reader.back(before);
        return null;
    }

    /** Whether days come next, which also begin with "in". */
    private boolean comesSpan() {
        return reader.now().is("in") && (reader.ahead(1).is("the") && reader.ahead(2).is("last") || reader.ahead(1).is("last"));
    }

    /** What could follow a criterion that has ended. */
    List<String> after(Criterion read) {
        List<String> all = new ArrayList<>(List.of("and", "or"));
        List<Condition> conditions = read.conditions();
        if (!conditions.isEmpty()) {
            Subject s = conditions.get(conditions.size() - 1).subject();
            if (s.term().asked() instanceof Asked.YesNo && s.when() instanceof When.Unsaid) {
                all.addAll(WhenReader.expected(s.term()));
            }
        }
        return all;
    }
}
