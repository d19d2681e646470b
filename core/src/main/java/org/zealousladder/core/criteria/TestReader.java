package org.zealousladder.core.criteria;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.zealousladder.core.criteria.Test.Compare;

/**
 * Reads what must hold of a value:
 *
 * <pre>
 * test = is ["not"] "on record"
 *      | is ["under" | "at most" | "over" | "at least" | "not"] number ["%"] | is "from" number "to" number ["%"]
 *      | is ["not"] word | is ("one of" | "none of") word {"," word}
 * is   = "is" | "are" | "was" | "were"
 * </pre>
 */
final class TestReader {
    private static final List<String> COMPARED = List.of("under", "at most", "over", "at least", "from");

    private final Reader reader;

    TestReader(Reader reader) {
        this.reader = reader;
    }

    Test test(Subject subject) {
        boolean is = reader.tookAny("is", "are", "was", "were", "be");
        if (is && reader.tookAny("on record", "not on record")) {
            return new Test.OnRecord(reader.position() > 2 && notBefore());
        }
        if (subject.term().asked() instanceof Asked.Number n) {
            return number(n, subject.term(), is);
        }
        if (!is && !reader.now().is("=") && !reader.now().is("<>") && !reader.now().is("!=") && !reader.now().is("≠")) {
            List<String> expected = new ArrayList<>(List.of("is"));
            if (subject.when() instanceof When.Unsaid) {
                expected.addAll(WhenReader.expected(subject.term()));
            }
            throw reader.mistake("Here \"is\" should follow, and what it is.", expected);
        }
        return word(subject.term());
    }

    /** Whether what was just taken were the words "not on record". */
    private boolean notBefore() {
        int end = reader.position();
        reader.back(end - 3);
        boolean not = reader.now().is("not");
        reader.back(end);
        return not;
    }

    private Test number(Asked.Number asked, Term term, boolean is) {
        if (reader.took("from")) {
            double from = value(asked, term);
            if (!reader.tookAny("to", "and")) {
                throw reader.mistake("Say up to what: is from 3 to 5.", List.of("to"));
            }
            return fromTo(from, value(asked, term));
        } else if (reader.took("between")) {
            double from = value(asked, term);
            if (!reader.tookAny("and", "to")) {
                throw reader.mistake("Say up to what: is between 3 and 5.", List.of("and"));
            }
            return fromTo(from, value(asked, term));
        }
        Compare by = reader.tookAny("under", "below", "less than", "fewer than", "<") ? Compare.UNDER
                : reader.tookAny("over", "above", "more than", ">") ? Compare.OVER
                        : reader.tookAny("at most", "<=", "≤") ? Compare.AT_MOST
                                : reader.tookAny("at least", ">=", "≥") ? Compare.AT_LEAST
                                        : reader.tookAny("not", "<>", "!=", "≠") ? Compare.OTHER_THAN
                                                : reader.tookAny("exactly", "=") || is ? Compare.EXACTLY : null;
        if (by == null) {
            throw reader.mistake("Here \"is\" should follow, and a number.", List.of("is", "is under", "is over", "is at least", "is at most", "is from"));
        }
        return new Test.IsNumber(by, value(asked, term), null);
    }

    private Test fromTo(double from, double to) {
        if (to < from) {
            throw new MistakeException(reader.last(), "The second number is below the first.", List.of());
        }
        return new Test.IsNumber(Compare.FROM_TO, from, to);
    }

    private double value(Asked.Number asked, Term term) {
        Double value = reader.number();
        if (value == null) {
            List<String> expected = new ArrayList<>(List.of(asked.percent() ? "25 %" : "a number"));
            expected.addAll(COMPARED);
            throw reader.mistake("Here a number should follow.", expected);
        }
        if (reader.took("%") && !asked.percent()) {
            throw new MistakeException(reader.last(), "'" + term.words() + "' is a number and no share: leave out the %.", List.of());
        }
        return value;
    }

    private Test word(Term term) {
        reader.tookAny("=");
        int before = reader.position();
        // A value may begin with "not" itself: not yet, not seen.
        Optional<String> plain = fixed(term);
        if (plain.isPresent()) {
            return new Test.IsWord(false, List.of(plain.get()));
        }
        reader.back(before);
        boolean none = reader.took("none of");
        boolean not = none || reader.tookAny("not", "<>", "!=", "≠");
        boolean many = none || reader.took("one of");
        List<String> all = new ArrayList<>();
        do {
            if (many && !all.isEmpty()) {
                reader.skip();
            }
            all.add(value(term));
        } while (many && reader.now().is(",") && !reader.ahead(1).is("and") && !reader.ahead(1).is("or"));
        return new Test.IsWord(not, List.copyOf(all));
    }

    private Optional<String> fixed(Term term) {
        return term.asked() instanceof Asked.OneOf o ? reader.tookOne(o.words().stream().sorted(Comparator.comparing(w -> -w.length())).toList())
                : Optional.empty();
    }

    private String value(Term term) {
        if (term.asked() instanceof Asked.OneOf o) {
            Optional<String> word = fixed(term);
            if (word.isEmpty() && reader.now().kind() == Token.Kind.QUOTED && o.words().contains(reader.now().text().toLowerCase(java.util.Locale.ROOT))) {
                word = reader.name().map(w -> w.toLowerCase(java.util.Locale.ROOT));
            }
            return word.orElseThrow(() -> reader.mistake("'" + term.words() + "' is one of: " + String.join(", ", o.words()) + ".", o.words()));
        }
        String noun = ((Asked.Named) term.asked()).noun().words();
        if (reader.now().kind() == Token.Kind.NUMBER || reader.now().kind() == Token.Kind.YEAR) {
            String text = reader.now().text();
            reader.skip();
            return text;
        }
        return reader.name()
                .orElseThrow(() -> reader.mistake("Here the name of " + noun + " should follow; with words like in or and it stands in quotation marks.",
                        List.of(noun)));
    }
}
