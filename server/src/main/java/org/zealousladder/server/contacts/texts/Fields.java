package org.zealousladder.server.contacts.texts;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.zealousladder.server.platform.problems.Refusal;

/** Fields in a text: words in curly brackets for which each student's own stand. What is put in is never looked through for fields again. */
public final class Fields {
    private static final Pattern FIELD = Pattern.compile("\\{([^{}\\n]{0,40})}");

    /** @param field as it stands in the brackets; @param about what is put there */
    public record About(String field, String about) {}

    public static final List<About> ALL = List.of(new About("first name", "the student's first name, or what they are called"),
            new About("name", "the student's whole name"),
            new About("class", "the student's class"), new About("recipient", "who the letter is for"), new About("sender", "you"),
            new About("today", "the day"),
            new About("measure", "the measure in the line at the top"), new About("score", "the newest score of this year"),
            new About("score day", "when that was"),
            new About("gain", "how much more than the first score of this year"), new About("goal", "the score to reach"), new About("goal day", "by when"),
            new About("days absent", "days absent this year"), new About("work not in", "how many pieces of work of this year did not come in"),
            new About("minutes", "minutes in the last whole week"));

    private static final Set<String> KNOWN = ALL.stream().map(About::field).collect(Collectors.toUnmodifiableSet());

    private Fields() {}

    /** The fields that a text has. */
    public static Set<String> in(String text) {
        return FIELD.matcher(text).results().map(m -> m.group(1).strip()).collect(Collectors.toCollection(TreeSet::new));
    }

    /** @throws Refusal 422 for a field that is none */
    public static void check(String text, String where) {
        Set<String> unknown = in(text);
        unknown.removeAll(KNOWN);
        if (!unknown.isEmpty()) {
            throw Refusal.invalid(where,
                    "{" + unknown.iterator().next() + "} is no field. There are: "
                            + ALL.stream().map(a -> "{" + a.field() + "}").collect(Collectors.joining(", "))
                            + ".");
        }
    }

    /** The text with what is known put in; a field without a value stays as it is. */
    public static String filled(String text, Map<String, String> values) {
        return FIELD.matcher(text).replaceAll((MatchResult m) -> Matcher.quoteReplacement(values.getOrDefault(m.group(1).strip(), m.group())));
    }
}
