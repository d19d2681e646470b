package org.zealousladder.core.criteria;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.criteria.When.Days;
import org.zealousladder.core.criteria.When.InWindow;
import org.zealousladder.core.criteria.When.Kind;

/**
 * Reads the time of a condition:
 *
 * <pre>
 * when = "in" window [year] | "from" window [year] "to" window [year] | "since" day | "until" day | "from" day "to" day
 *      | "in the last" n ("days" | "weeks") | "this year"
 * </pre>
 */
final class WhenReader {
    private final Reader reader;
    private final Term term;

    WhenReader(Reader reader, Term term) {
        this.reader = reader;
        this.term = term;
    }

    /** @param last what was said before the term already */
    When when(When.@Nullable LastScores last) {
        Place start = reader.now().place();
        When said = said();
        if (last != null) {
            if (!(said instanceof When.Unsaid)) {
                throw new MistakeException(start.to(reader.last()), "The last scores are the newest ones: no other time goes with them.", List.of());
            }
            check(Kind.LAST_SCORES, start);
            return last;
        }
        return said;
    }

    /** What a time of this term can begin with. */
    static List<String> expected(Term term) {
        List<String> all = new ArrayList<>();
        if (term.times().contains(Kind.WINDOW)) {
            all.add("in winter");
        }
        if (term.times().contains(Kind.STEP)) {
            all.add("from autumn to winter");
        }
        if (term.times().contains(Kind.SPAN)) {
            all.addAll(List.of("since 1 Sep 2025", "in the last 4 weeks", "this year"));
        }
        return all;
    }

    private When said() {
        Place start = reader.now().place();
        if (reader.tookAny("this year", "this school year")) {
            return new When.Unsaid();
        } else if (reader.tookAny("in the last", "in last", "within the last")) {
            return latest(start);
        } else if (reader.took("since")) {
            LocalDate from = day("since");
            LocalDate to = reader.took("until") ? day("until") : null;
            return span(from, to, start);
        } else if (reader.took("until")) {
            return span(null, day("until"), start);
        } else if (reader.took("from")) {
            LocalDate from = reader.day();
            if (from != null) {
                if (!reader.tookAny("to", "until")) {
                    throw reader.mistake("Say up to when: from 1 Sep 2025 to 31 Jan 2026.", List.of("to"));
                }
                return span(from, day("to"), start);
            }
            InWindow first = window();
            if (!reader.took("to")) {
                throw reader.mistake("Say up to which window: from autumn to winter.", List.of("to"));
            }
            check(Kind.STEP, start);
            return new When.Step(first, window());
        } else if (reader.tookAny("in", "at", "during")) {
            InWindow in = window();
            check(Kind.WINDOW, start);
            return in;
        }
        return new When.Unsaid();
    }

    private When latest(Place start) {
        Integer n = reader.count();
        if (n == null) {
            throw reader.mistake("Say how many days or weeks: in the last 4 weeks.", List.of("4 weeks"));
        }
        When.Unit unit = reader.tookAny("weeks", "week") ? When.Unit.WEEKS : reader.tookAny("days", "day") ? When.Unit.DAYS : null;
        if (unit == null) {
            throw reader.mistake("Say whether days or weeks are meant.", List.of("days", "weeks"));
        }
        check(Kind.SPAN, start);
        return new When.Latest(n, unit);
    }

    private When span(@Nullable LocalDate from, @Nullable LocalDate to, Place start) {
        check(Kind.SPAN, start);
        if (from != null && to != null && to.isBefore(from)) {
            throw new MistakeException(start.to(reader.last()), "These days end before they begin.", List.of());
        }
        return new Days(from, to);
    }

    private LocalDate day(String after) {
        LocalDate day = reader.day();
        if (day == null) {
            throw reader.mistake("Here a day should follow: " + after + " 1 Sep 2025.", List.of("1 Sep 2025"));
        }
        return day;
    }

    private InWindow window() {
        Optional<String> name = reader.name();
        if (name.isEmpty()) {
            throw reader.mistake("Say which screening window: winter, or winter 2024-25.", List.of("a screening window"));
        }
        String year = null;
        if (reader.now().kind() == Token.Kind.YEAR) {
            year = reader.now().text();
            reader.skip();
        }
        return new InWindow(name.get(), year);
    }

    private void check(Kind kind, Place start) {
        if (!term.times().contains(kind)) {
            String which = switch (kind) {
                case WINDOW -> "a screening window";
                case STEP -> "two windows";
                case SPAN -> "days";
                case LAST_SCORES -> "the last scores";
            };
            throw new MistakeException(start.to(reader.last()), "'" + term.words() + "' is not asked with " + which + (term.times().isEmpty()
                    ? ": it is as of the day of the scope."
                    : ". It can be asked: " + String.join(", ", expected(term)) + "."), expected(term));
        }
    }
}
