package org.zealousladder.core.criteria;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.criteria.Criterion.And;
import org.zealousladder.core.criteria.Criterion.Condition;
import org.zealousladder.core.criteria.Criterion.Counted;
import org.zealousladder.core.criteria.Criterion.Gap;
import org.zealousladder.core.criteria.Criterion.Not;
import org.zealousladder.core.criteria.Criterion.Or;

/**
 * Writes a criterion as its sentence, always in the same way: {@code parse(text(c))} is {@code c} again, and {@code text(parse(t))} is the sentence that
 * {@code t} stands for. Notes where in the text what stands, line by line.
 */
public final class CriterionText {
    /** A stretch of the text that can be changed by itself; an empty one where something can be said that is not. @param of the condition or group it belongs to */
    public record Part(What what, int start, int end, Criterion of) {}

    /** What a part says. */
    public enum What {
        JOIN,
        HOW_MANY,
        TERM,
        ABOUT,
        WHEN,
        TEST
    }

    /**
     * One condition, with the words that join it to the line before.
     *
     * @param depth how many brackets it stands in
     * @param of null of a gap
     * @param turned whether it is turned round: who have no goal
     * @param from where the condition itself begins @param to where it ends
     */
    public record Line(int start, int end, int depth, @Nullable Condition of, boolean turned, int from, int to) {}

    private final StringBuilder text = new StringBuilder();
    private final List<Part> parts = new ArrayList<>();
    private final List<Line> lines = new ArrayList<>();
    private int lineStart;

    private CriterionText() {}

    public static CriterionText of(Criterion criterion) {
        CriterionText t = new CriterionText();
        t.write(criterion, 0, true);
        return t;
    }

    /** The subject alone, as the head of a column. */
    public static String of(Subject subject) {
        CriterionText t = new CriterionText();
        t.subject(subject, null);
        return t.text.toString();
    }

    /** A name as it stands in a criterion: in quotation marks where it must. */
    public static String name(String name) {
        return Words.name(name);
    }

    public String text() {
        return text.toString();
    }

    public List<Part> parts() {
        return parts;
    }

    public List<Line> lines() {
        return lines;
    }

    private void write(Criterion c, int depth, boolean outermost) {
        if (c instanceof Condition condition) {
            condition(condition, false, depth);
        } else if (c instanceof Gap) {
            line(depth, null, false, () -> text.append('…'));
        } else if (c instanceof And || c instanceof Or) {
            open(outermost);
            joined(c, c instanceof And ? " and " : " or ", outermost ? depth : depth + 1);
            close(outermost);
        } else if (c instanceof Counted counted) {
            counted(counted, depth);
        } else if (c instanceof Not not) {
            not(not, depth);
        }
    }

    private void open(boolean outermost) {
        if (!outermost) {
            text.append('(');
        }
    }

    private void close(boolean outermost) {
        if (!outermost) {
            text.append(')');
            endLine();
        }
    }

    private void joined(Criterion c, String join, int depth) {
        boolean first = true;
        for (Criterion one : c.beneath()) {
            if (!first) {
                nextLine();
                parts.add(new Part(What.JOIN, text.length() + 1, text.length() + join.length() - 1, c));
                text.append(join);
            }
            first = false;
            write(one, depth, false);
        }
    }

    private void counted(Counted c, int depth) {
        int start = text.length();
        text.append(switch (c.howMany()) {
            case AT_LEAST -> "at least " + c.n();
            case ALL -> "all";
            case ANY -> "any";
            case NONE -> "none";
        }).append(" of");
        parts.add(new Part(What.HOW_MANY, start, text.length(), c));
        text.append(" (");
        boolean first = true;
        for (Criterion one : c.of()) {
            if (!first) {
                text.append(';');
                endLine();
                nextLine();
                text.append(' ');
            }
            first = false;
            write(one, depth + 1, true);
        }
        close(false);
    }

    private void not(Not not, int depth) {
        if (not.of() instanceof Condition c && c.test() instanceof Test.Holds) {
            condition(c, true, depth);
            return;
        }
        text.append("not ");
        boolean turnedTwice = not.of() instanceof Not within && within.of() instanceof Condition c && c.test() instanceof Test.Holds;
        boolean brackets = not.of() instanceof Condition || not.of() instanceof Gap || turnedTwice;
        open(!brackets);
        write(not.of(), brackets ? depth + 1 : depth, false);
        close(!brackets);
    }

    private void condition(Condition c, boolean turnedRound, int depth) {
        line(depth, c, turnedRound, () -> {
            Subject s = c.subject();
            Term.Lead lead = s.term().lead();
            if (s.when() instanceof When.LastScores last) {
                int start = text.length();
                text.append(last.all() ? "all" : "any").append(" of whose last ").append(last.n());
                parts.add(new Part(What.WHEN, start, text.length(), c));
                text.append(' ');
            } else {
                String word = turnedRound ? lead.negation() : lead.article();
                text.append(lead.words()).append(' ').append(word).append(word.isEmpty() ? "" : " ");
            }
            subject(s, c);
            if (!(c.test() instanceof Test.Holds)) {
                text.append(s.term().plural() || s.when() instanceof When.LastScores ? " are " : " is ");
                int start = text.length();
                text.append(test(c.test(), s.term()));
                parts.add(new Part(What.TEST, start, text.length(), c));
            }
        });
    }

    private void subject(Subject s, @Nullable Condition of) {
        int start = text.length();
        text.append(s.when() instanceof When.LastScores ? "scores" : s.term().words());
        part(What.TERM, start, of);
        if (s.about() != null) {
            Noun noun = s.term().about();
            text.append(noun == Noun.GROUPING || noun == Noun.LIST || noun == Noun.SKILL ? " " : " in ");
            start = text.length();
            text.append(Words.name(s.about()));
            part(What.ABOUT, start, of);
        } else if (s.term().about() != null) {
            part(What.ABOUT, text.length(), of);
        }
        String when = when(s.when());
        if (!when.isEmpty()) {
            text.append(' ');
            start = text.length();
            text.append(when);
            part(What.WHEN, start, of);
        } else if (!s.term().times().isEmpty() && s.when() instanceof When.Unsaid) {
            part(What.WHEN, text.length(), of);
        }
    }

    private void part(What what, int start, @Nullable Condition of) {
        if (of != null) {
            parts.add(new Part(what, start, text.length(), of));
        }
    }

    private static String when(When when) {
        if (when instanceof When.InWindow w) {
            return "in " + window(w);
        } else if (when instanceof When.Step s) {
            return "from " + window(s.from()) + " to " + window(s.to());
        } else if (when instanceof When.Latest l) {
            String unit = l.unit() == When.Unit.DAYS ? "day" : "week";
            return "in the last " + l.n() + " " + unit + (l.n() == 1 ? "" : "s");
        } else if (when instanceof When.Days d) {
            if (d.from() == null) {
                return d.to() == null ? "" : "until " + Words.day(d.to());
            }
            return d.to() == null ? "since " + Words.day(d.from()) : "from " + Words.day(d.from()) + " to " + Words.day(d.to());
        }
        return "";
    }

    private static String window(When.InWindow w) {
        return Words.name(w.window()) + (w.year() == null ? "" : " " + w.year());
    }

    private static String test(Test test, Term term) {
        if (test instanceof Test.OnRecord r) {
            return r.not() ? "not on record" : "on record";
        } else if (test instanceof Test.IsNumber n) {
            String percent = term.asked() instanceof Asked.Number a && a.percent() ? " %" : "";
            String by = n.by().words().isEmpty() ? "" : n.by().words() + " ";
            return by + Words.number(n.value()) + (n.upper() == null ? "" : " to " + Words.number(n.upper())) + percent;
        } else if (test instanceof Test.IsWord w) {
            String all = String.join(", ", w.words().stream().map(v -> term.asked() instanceof Asked.OneOf ? v : Words.name(v)).toList());
            return w.words().size() == 1 ? (w.not() ? "not " : "") + all : (w.not() ? "none of " : "one of ") + all;
        }
        return "";
    }

    private void line(int depth, @Nullable Condition of, boolean turnedRound, Runnable write) {
        int from = text.length();
        write.run();
        lines.add(new Line(lineStart, text.length(), depth, of, turnedRound, from, text.length()));
    }

    /** What follows belongs to the next line. */
    private void nextLine() {
        lineStart = text.length();
    }

    /** What was written since belongs to the line before. */
    private void endLine() {
        Line last = lines.get(lines.size() - 1);
        lines.set(lines.size() - 1, new Line(last.start(), text.length(), last.depth(), last.of(), last.turned(), last.from(), last.to()));
    }
}
