package org.zealousladder.server.learning.packages;

import static org.zealousladder.server.platform.files.SafeXml.child;
import static org.zealousladder.server.platform.files.SafeXml.children;
import static org.zealousladder.server.platform.files.SafeXml.text;
import static org.zealousladder.server.platform.files.SafeXml.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.zealousladder.server.learning.items.Item.ItemKey;
import org.zealousladder.server.learning.items.ItemBody;
import org.zealousladder.server.learning.items.ItemForm;
import org.zealousladder.server.learning.packages.QtiItem.Unsupported;

/** Reads an item that can be asked here, once its way of answering is known: what is shown, and what answers are worth. */
final class QtiReading {
    private static final String LETTERS = "ABCDEFGHIJKL";
    private final Element item;
    private final Element body;
    private final Element way;
    private final Function<QtiItem.Shown, @Nullable Integer> pictures;
    private final List<String> notices = new ArrayList<>();
    private final Element declared;

    QtiReading(Element item, Element body, Element way, Function<QtiItem.Shown, @Nullable Integer> pictures) throws Unsupported {
        this.item = item;
        this.body = body;
        this.way = way;
        this.pictures = pictures;
        String response = way.getAttribute("response-identifier");
        this.declared = children(item, "qti-response-declaration").stream().filter(d -> d.getAttribute("identifier").equals(response)).findFirst()
                .orElseThrow(() -> new Unsupported("What is answered to it is not declared."));
    }

    QtiItem.Read read(@Nullable Integer school, List<Integer> skills) throws Unsupported {
        String kind = kind();
        List<Element> options = choices(kind.equals("match") ? sets().get(0) : way);
        List<Element> targets = kind.equals("match") ? choices(sets().get(1)) : List.of();
        Map<String, String> letters = names(options, n -> String.valueOf(LETTERS.charAt(n)));
        Map<String, String> figures = names(targets, n -> String.valueOf(n + 1));
        Function<String, String> known = value -> known(kind, value, letters, figures);
        List<ItemBody.ItemOption> shownOptions = shown(options, letters);
        List<ItemBody.ItemOption> shownTargets = shown(targets, figures);
        Integer above = above(options, targets);
        String processing = processing();
        List<ItemKey> keys;
        Map<String, Double> worth = null;
        Double other = null;
        double possible = 1;
        if (processing.equals("human")) {
            keys = List.of();
            if (!kind.equals("written")) {
                throw new Unsupported("It is scored by a person, and is not a text to be read.");
            }
        } else if (processing.equals("match_correct")) {
            String right = correct(kind, known);
            keys = List.of(new ItemKey(right, 1, null));
            // As a whole, and not by parts.
            worth = kind.equals("choices") || kind.equals("match") ? Map.of() : null;
        } else {
            Mapped m = mapped(kind, known);
            possible = m.possible();
            keys = m.keys();
            worth = m.worth();
            other = m.other();
        }
        for (Element e : children(item)) {
            if (e.getLocalName().equals("qti-modal-feedback")) {
                notices.add("What it says after an answer is left out.");
                break;
            }
        }
        ItemBody made = new ItemBody(shownOptions, shownTargets, null, above, worth, other);
        return new QtiItem.Read(new ItemForm(school, kind, prompt(), made, possible, keys, skills), List.copyOf(notices));
    }

    private String kind() throws Unsupported {
        String base = declared.getAttribute("base-type");
        String cardinality = declared.getAttribute("cardinality");
        return switch (way.getLocalName()) {
            case "qti-choice-interaction" -> cardinality.equals("single") ? "choice" : "choices";
            case "qti-text-entry-interaction" -> switch (base) {
                case "integer", "float" -> "number";
                case "string" -> "text";
                default -> throw new Unsupported("What is written into it is neither words nor a number (" + base + ").");
            };
            case "qti-extended-text-interaction" -> "written";
            case "qti-match-interaction" -> "match";
            case "qti-order-interaction" -> "order";
            default -> throw new Unsupported("It is answered in a way that is not known here (" + way.getLocalName() + ").");
        };
    }

    private List<Element> sets() throws Unsupported {
        List<Element> sets = children(way, "qti-simple-match-set");
        if (sets.size() != 2) {
            throw new Unsupported("It does not say what is matched with what.");
        }
        if (choices(sets.get(0)).stream().anyMatch(o -> !o.getAttribute("match-max").equals("1"))) {
            throw new Unsupported("Something in it is matched more than once.");
        }
        return sets;
    }

    private static List<Element> choices(Node of) throws Unsupported {
        List<Element> all = children(of).stream().filter(e -> e.getLocalName().matches("qti-simple-(choice|associable-choice)")).toList();
        if (all.size() > LETTERS.length()) {
            throw new Unsupported("There are " + all.size() + " of one kind to choose from; at most " + LETTERS.length() + " can be shown.");
        }
        return all;
    }

    private static Map<String, String> names(List<Element> of, Function<Integer, String> name) {
        Map<String, String> all = new LinkedHashMap<>();
        IntStream.range(0, of.size()).forEach(n -> all.put(of.get(n).getAttribute("identifier"), name.apply(n)));
        return all;
    }

    /** An answer by the letters and figures by which it is known here. */
    private static String known(String kind, String value, Map<String, String> letters, Map<String, String> figures) {
        return switch (kind) {
            case "choice", "choices", "order" -> letters.getOrDefault(value, "?");
            case "match" -> {
                String[] both = value.strip().split("\\s+");
                yield both.length == 2 ? letters.getOrDefault(both[0], "?") + " " + figures.getOrDefault(both[1], "?") : "?";
            }
            default -> value;
        };
    }

    private List<ItemBody.ItemOption> shown(List<Element> options, Map<String, String> names) throws Unsupported {
        List<ItemBody.ItemOption> all = new ArrayList<>();
        for (Element o : options) {
            List<Element> images = within(o).stream().filter(e -> e.getLocalName().equals("img")).toList();
            if (images.size() > 1) {
                throw new Unsupported("A choice has more than one picture.");
            }
            all.add(new ItemBody.ItemOption(java.util.Objects.requireNonNull(names.get(o.getAttribute("identifier"))), text(o),
                    images.isEmpty() ? null : picture(images.get(0))));
        }
        return all;
    }

    /** The picture that belongs to no choice. */
    private @Nullable Integer above(List<Element> options, List<Element> targets) throws Unsupported {
        Set<Element> within = java.util.stream.Stream.concat(options.stream(), targets.stream()).flatMap(o -> within(o).stream())
                .collect(Collectors.toCollection(() -> Collections.newSetFromMap(new java.util.IdentityHashMap<>())));
        List<Element> images = within(body).stream().filter(e -> e.getLocalName().equals("img") && !within.contains(e)).toList();
        if (images.size() > 1) {
            throw new Unsupported("It has " + images.size() + " pictures; one can be shown above the answers.");
        }
        return images.isEmpty() ? null : picture(images.get(0));
    }

    private Integer picture(Element img) throws Unsupported {
        Integer id = pictures.apply(new QtiItem.Shown(img.getAttribute("src"), img.getAttribute("alt")));
        if (id == null) {
            throw new Unsupported("Its picture " + img.getAttribute("src") + " is not in the package, or is none that can be shown.");
        }
        return id;
    }

    /** The words of the body but those of the choices; a gap where something is written in. */
    private String prompt() {
        StringBuilder words = new StringBuilder();
        said(body, words);
        String all = words.toString().replaceAll("[ \\t\\x0B\\f\\r]+", " ").replaceAll(" ?\\n ?", "\n").replaceAll("\\n{2,}", "\n").strip();
        return all.isEmpty() ? item.getAttribute("title") : all.length() > 4000 ? all.substring(0, 4000) : all;
    }

    private void said(Node of, StringBuilder words) {
        for (Node n = of.getFirstChild(); n != null; n = n.getNextSibling()) {
            if (n instanceof Element e) {
                String name = e.getLocalName();
                if (name.matches("qti-simple-(choice|associable-choice|match-set)|qti-rubric-block|qti-stylesheet|style|script")) {
                    continue;
                }
                if (name.equals("qti-text-entry-interaction")) {
                    words.append(" ____ ");
                    continue;
                }
                boolean block = name.matches("p|div|li|h[1-6]|blockquote|pre|tr|br|qti-prompt|ul|ol|table|.*-interaction");
                words.append(block ? "\n" : "");
                said(e, words);
                words.append(block ? "\n" : name.matches("t[dh]") ? " " : "");
            } else if (n.getNodeType() == Node.TEXT_NODE || n.getNodeType() == Node.CDATA_SECTION_NODE) {
                words.append(n.getNodeValue().replaceAll("\\s+", " "));
            }
        }
    }

    private String processing() throws Unsupported {
        Element rules = child(item, "qti-response-processing").orElse(null);
        boolean byPerson = children(item, "qti-outcome-declaration").stream()
                .anyMatch(o -> o.getAttribute("identifier").equals("SCORE") && o.getAttribute("external-scored").equals("human"));
        if (way.getLocalName().equals("qti-extended-text-interaction") || byPerson) {
            return "human";
        }
        if (rules == null) {
            throw new Unsupported("It does not say how it is scored.");
        }
        if (!children(rules).isEmpty()) {
            throw new Unsupported("It is scored by rules of its own.");
        }
        String template = rules.getAttribute("template").replaceAll("^.*/", "").replaceAll("\\.xml$", "").toLowerCase(Locale.ROOT);
        if (!template.equals("match_correct") && !template.equals("map_response")) {
            throw new Unsupported("It is scored in a way that is not known here (" + (template.isEmpty() ? "none is named" : template) + ").");
        }
        return template;
    }

    private String correct(String kind, Function<String, String> known) throws Unsupported {
        List<String> values = child(declared, "qti-correct-response").map(c -> children(c, "qti-value").stream().map(v -> text(v)).toList())
                .orElse(List.of());
        if (values.isEmpty()) {
            throw new Unsupported("It does not say which answer is right.");
        }
        if (!kind.equals("choices") && !kind.equals("match") && !kind.equals("order") && values.size() > 1) {
            throw new Unsupported("It wants several answers where one is given.");
        }
        return values.stream().map(known).collect(Collectors.joining("|"));
    }

    private record Mapped(double possible, List<ItemKey> keys, @Nullable Map<String, Double> worth, @Nullable Double other) {}

    private Mapped mapped(String kind, Function<String, String> known) throws Unsupported {
        Element mapping = child(declared, "qti-mapping").orElseThrow(() -> new Unsupported("It is scored by a table of points that it does not have."));
        Map<String, Double> points = new LinkedHashMap<>();
        for (Element e : children(mapping, "qti-map-entry")) {
            points.put(known.apply(e.getAttribute("map-key")).toLowerCase(Locale.ROOT), number(e.getAttribute("mapped-value"), 0));
            if (e.getAttribute("case-sensitive").equals("true") && (kind.equals("text"))) {
                notices.add("Large and small letters make no difference here; in the package they do.");
            }
        }
        double otherwise = number(mapping.getAttribute("default-value"), 0);
        double least = number(mapping.getAttribute("lower-bound"), Double.NEGATIVE_INFINITY);
        double most = number(mapping.getAttribute("upper-bound"), Double.POSITIVE_INFINITY);
        boolean parts = kind.equals("choices") || kind.equals("match");
        if (kind.equals("order")) {
            throw new Unsupported("An order is scored part by part, which is not had here.");
        }
        double best = parts ? points.values().stream().filter(v -> v > 0).mapToDouble(v -> v).sum()
                : points.values().stream().mapToDouble(v -> v).max().orElse(0);
        double possible = Math.min(best, most);
        if (!(possible > 0)) {
            throw new Unsupported("No answer to it earns anything.");
        }
        if (least < 0 && (otherwise < 0 || points.values().stream().anyMatch(v -> v < 0))) {
            notices.add("An answer earns nothing at the least; in the package it can earn less than nothing.");
        }
        if (otherwise > 0 && !parts) {
            throw new Unsupported("Any answer to it earns something.");
        }
        if (!parts) {
            return new Mapped(possible, points.entrySet().stream().map(e -> new ItemKey(e.getKey(), share(e.getValue(), possible), null)).toList(), null,
                    null);
        }
        Map<String, Double> worth = new LinkedHashMap<>();
        points.forEach((k, v) -> worth.put(k, v / possible));
        String right = points.entrySet().stream().filter(e -> e.getValue() > 0).map(Map.Entry::getKey).sorted().collect(Collectors.joining("|"));
        return new Mapped(possible, List.of(new ItemKey(right, 1, null)), worth, otherwise / possible);
    }

    private static double share(double value, double possible) {
        return Math.max(0, Math.min(1, value / possible));
    }

    private static double number(String text, double otherwise) throws Unsupported {
        try {
            return text.isBlank() ? otherwise : Double.parseDouble(text.strip());
        } catch (NumberFormatException e) {
            throw new Unsupported("Points in it are not a number: " + text + ".");
        }
    }
}
