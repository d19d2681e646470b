package org.zealousladder.server.learning.items;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.learning.items.Item.ItemKey;
import org.zealousladder.server.platform.problems.Refusal;

/**
 * An item as it is typed, or read from a package.
 *
 * @param school null: for every school
 * @param kind choice, choices, text, number, match, order or written
 * @param keys what answers are worth. A choice is answered by its id; several by their ids with {@code |} between; pairs as {@code a 1|b 2}; an order by the ids in it
 * @param skills by id
 */
public record ItemForm(@Nullable Integer school, @NotNull String kind, @NotNull @Size(max = 4000, message = "has at most 4000 letters") String prompt,
        @NotNull ItemBody body, double possible, @NotNull List<ItemKey> keys, @NotNull List<Integer> skills) {
    private static final Set<String> KINDS = Set.of("choice", "choices", "text", "number", "match", "order", "written");
    private static final int MOST_OPTIONS = 12;
    private static final String NUMBER = "[-+]?(\\d+([.,]\\d*)?|[.,]\\d+)";

    /**
     * The same with its answers in the one form in which they are kept, if it can be asked at all.
     *
     * @throws Refusal 422 with the sentence that says what is missing
     */
    public ItemForm ready() {
        if (!KINDS.contains(kind)) {
            throw Refusal.invalid("kind", "An item is a choice, several choices, a short text, a number, pairs to match, an order, or written freely.");
        }
        if (prompt.isBlank()) {
            throw Refusal.invalid("prompt", "Write what is asked.");
        }
        if (!(possible > 0 && possible <= 1000)) {
            throw Refusal.invalid("possible", "The points of an item are more than 0 and at most 1000.");
        }
        options();
        List<ItemKey> plain = keys.stream().map(k -> new ItemKey(plain(k.answer()), k.share(), blank(k.shows()))).filter(k -> !k.answer().isEmpty()).toList();
        if (plain.stream().map(ItemKey::answer).distinct().count() < plain.size()) {
            throw Refusal.invalid("keys", "The same answer stands there twice.");
        }
        for (ItemKey k : plain) {
            if (k.answer().length() > 500 || k.shows() != null && k.shows().length() > 200) {
                throw Refusal.invalid("keys", "An answer has at most 500 letters, what it shows at most 200.");
            }
            if (!(k.share() >= 0 && k.share() <= 1)) {
                throw Refusal.invalid("keys", "What an answer is worth is a share of the points, from 0 to 1.");
            }
        }
        Set<String> right = plain.stream().filter(k -> k.share() >= 1).map(ItemKey::answer).collect(Collectors.toSet());
        if (right.isEmpty() && !kind.equals("written")) {
            throw Refusal.invalid("keys", kind.equals("text") || kind.equals("number") ? "Write at least one right answer." : "Say which answer is right.");
        }
        ItemBody own = new ItemBody(kind.equals("text") || kind.equals("number") || kind.equals("written") ? List.of() : body.options(),
                kind.equals("match") ? body.targets() : List.of(), kind.equals("number") ? body.tolerance() : null, body.picture(), body.worth(), body.other());
        return new ItemForm(school, kind, prompt.strip(), own.worth() == null ? parted(own, right) : own, possible, plain,
                skills.stream().distinct().toList());
    }

    private void options() {
        if (kind.equals("number")) {
            if (body.tolerance() != null && !(body.tolerance() >= 0)) {
                throw Refusal.invalid("tolerance", "How far off still is right is 0 or more.");
            }
            if (keys.stream().anyMatch(k -> k.share() >= 1 && !plain(k.answer()).matches(NUMBER))) {
                throw Refusal.invalid("keys", "The right answer is a number, such as 12 or 0.5.");
            }
        }
        if (!Set.of("choice", "choices", "match", "order").contains(kind)) {
            return;
        }
        Set<String> ids = ids(body.options(), "options");
        Set<String> targets = kind.equals("match") ? ids(body.targets(), "targets") : Set.of();
        for (ItemKey k : keys) {
            String answer = plain(k.answer());
            List<String> parts = answer.isEmpty() ? List.of() : List.of(answer.split("\\|"));
            boolean known = switch (kind) {
                case "choice" -> ids.contains(answer);
                case "order" -> k.share() < 1 ? ids.containsAll(parts) : parts.size() == ids.size() && ids.containsAll(parts);
                case "match" -> parts.stream().allMatch(p -> p.indexOf(' ') > 0 && ids.contains(p.substring(0, p.indexOf(' ')))
                        && targets.contains(p.substring(p.indexOf(' ') + 1)));
                default -> ids.containsAll(parts);
            };
            if (!known && !answer.isEmpty()) {
                throw Refusal.invalid("keys",
                        kind.equals("order") ? "The right order has every line once." : "The right answer is not among those to choose from.");
            }
        }
    }

    private static Set<String> ids(List<ItemBody.ItemOption> options, String field) {
        if (options.size() < 2 || options.size() > MOST_OPTIONS) {
            throw Refusal.invalid(field, "There are 2 to " + MOST_OPTIONS + " of them to choose from.");
        }
        if (options.stream().anyMatch(o -> o.text().isBlank() && o.picture() == null)) {
            throw Refusal.invalid(field, "One of them is empty: write it, or take it out.");
        }
        if (options.stream().anyMatch(o -> o.text().length() > 500 || !o.id().matches("[^|\\s]{1,40}"))) {
            throw Refusal.invalid(field, "What can be chosen has at most 500 letters.");
        }
        Set<String> ids = options.stream().map(o -> o.id().toLowerCase(Locale.ROOT)).collect(Collectors.toSet());
        if (ids.size() < options.size()) {
            throw Refusal.invalid(field, "Two of them have the same letter.");
        }
        return ids;
    }

    /** Several choices and pairs earn by parts: each right one its share, each wrong choice loses as much, so that choosing all of them earns nothing. */
    private ItemBody parted(ItemBody own, Set<String> right) {
        if (right.size() != 1 || !kind.equals("choices") && !kind.equals("match")) {
            return own;
        }
        List<String> parts = List.of(right.iterator().next().split("\\|"));
        Map<String, Double> worth = new HashMap<>();
        parts.forEach(p -> worth.put(p, 1.0 / parts.size()));
        return own.worth(worth, kind.equals("choices") ? -1.0 / parts.size() : 0);
    }

    /** As answers are compared and kept; in the database {@code skills_plain} and {@code skills_parts} do the same. */
    private String plain(String answer) {
        return plain(kind, answer);
    }

    /** As an answer to an item of a kind is compared. */
    public static String plain(String kind, String answer) {
        String plain = java.text.Normalizer.normalize(answer, java.text.Normalizer.Form.NFKC).strip().replaceAll("\\s+", " ").toLowerCase(Locale.ROOT);
        return kind.equals("choices") || kind.equals("match")
                ? Stream.of(plain.split("\\|")).map(String::strip).filter(p -> !p.isEmpty()).sorted().collect(Collectors.joining("|"))
                : plain;
    }

    private static @Nullable String blank(@Nullable String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }

    /** The pictures that it needs. */
    Set<Integer> pictures() {
        Set<Integer> all = new HashSet<>();
        if (body.picture() != null) {
            all.add(body.picture());
        }
        Stream.concat(body.options().stream(), body.targets().stream()).map(ItemBody.ItemOption::picture).filter(java.util.Objects::nonNull)
                .forEach(all::add);
        return all;
    }
}
