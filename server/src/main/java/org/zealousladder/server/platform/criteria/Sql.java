package org.zealousladder.server.platform.criteria;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * A part of a statement with what is bound in it. Never holds what a person typed: that is bound.
 *
 * @param body the select, or whatever part it is
 * @param withs what it is given names for beforehand, in order
 * @param bound by the parameters' names
 */
public record Sql(String body, Map<String, String> withs, Map<String, @Nullable Object> bound) {
    private static final Pattern PARAMETER = Pattern.compile("(?<!:):([a-zA-Z][a-zA-Z0-9]*)");

    public static Sql of(String body) {
        return new Sql(body, Map.of(), Map.of());
    }

    public Sql bind(String name, @Nullable Object value) {
        return new Sql(body, withs, joined(bound, Map.of(), name, value));
    }

    /** The other's text in the place of {@code {name}}, and what it binds. */
    public Sql put(String name, Sql part) {
        return new Sql(body.replace("{" + name + "}", part.text()), withs, joined(bound, part.bound(), null, null));
    }

    /** What the other selects can be named in the body, and in those that follow. */
    public Sql with(String name, Sql part) {
        Map<String, String> all = new LinkedHashMap<>(withs);
        all.put(name, part.text());
        return new Sql(body, all, joined(bound, part.bound(), null, null));
    }

    /** Whether it speaks of very many students: each join is then better made by hashing than row by row. */
    public Sql wide() {
        return bind("wide", true);
    }

    /** As it stands in a statement. */
    public String text() {
        return withs.isEmpty() ? body
                : withs.entrySet().stream().map(w -> w.getKey() + " as materialized (" + w.getValue() + ")").collect(Collectors.joining(",\n", "with ", "\n"))
                        + body;
    }

    /** With a prefix before the name of all that is bound, so that several of a kind can stand in one statement; what is not bound keeps its name. */
    public Sql named(String prefix) {
        Map<String, String> renamed = new LinkedHashMap<>();
        withs.forEach((k, v) -> renamed.put(k, named(v, prefix)));
        Map<String, @Nullable Object> all = new LinkedHashMap<>();
        bound.forEach((k, v) -> all.put(prefix + k, v));
        return new Sql(named(body, prefix), renamed, all);
    }

    private String named(String text, String prefix) {
        return PARAMETER.matcher(text).replaceAll(m -> Matcher.quoteReplacement(":" + (bound.containsKey(m.group(1)) ? prefix : "") + m.group(1)));
    }

    private static Map<String, @Nullable Object> joined(Map<String, @Nullable Object> a, Map<String, @Nullable Object> b, @Nullable String name,
            @Nullable Object value) {
        Map<String, @Nullable Object> all = new LinkedHashMap<>(a);
        all.putAll(b);
        if (name != null) {
            all.put(name, value);
        }
        return all;
    }
}
