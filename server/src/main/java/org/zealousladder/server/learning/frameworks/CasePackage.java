package org.zealousladder.server.learning.frameworks;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.platform.problems.Refusal;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A package of a competency framework in the form of CASE (Competencies and Academic Standards Exchange, 1EdTech, 1.0 and 1.1): a document, its items
 * and their associations. What has no child is a skill; the tree
 * is built of {@code isChildOf} alone, and {@code precedes} says what rests on what.
 *
 * @param uri identifier of the document
 */
record CasePackage(String uri, String title, @Nullable String source, List<CaseSkill> skills, List<String> notices) {
    private static final int MOST = 20_000;
    private static final int NAME = 160;

    /** A skill. @param uri identifier of its item @param restsOn identifiers of what precedes it */
    record CaseSkill(String uri, @Nullable String code, String name, @Nullable String statement, String area, String domain, @Nullable Integer grade,
            List<String> restsOn) {}

    private record Child(String id, int sequence, int order) {}

    /** @throws Refusal 422 for what is none, with what to do */
    static CasePackage read(JsonMapper json, byte[] body) {
        JsonNode all;
        try {
            all = json.readTree(body);
        } catch (JacksonException e) {
            throw wrong("This is no JSON. Ask the publisher for the package as JSON (CFPackages).");
        }
        JsonNode document = all.path("CFDocument");
        JsonNode items = all.path("CFItems");
        if (document.isMissingNode() || !items.isArray() || items.isEmpty()) {
            throw wrong("This is no whole package: it lacks " + (document.isMissingNode() ? "CFDocument" : "CFItems")
                    + ". Ask the publisher for the package (CFPackages), not for the document alone.");
        }
        if (items.size() > MOST) {
            throw wrong("The package has " + items.size() + " items; at most " + MOST + " are taken. Ask for a smaller part of it.");
        }
        String id = text(document, "identifier");
        String title = text(document, "title");
        if (id == null || title == null) {
            throw wrong("The document of the package lacks its " + (id == null ? "identifier" : "title") + ".");
        }
        return new Reading(all, cut(title, 120)).read(id, text(document, "creator"));
    }

    private static Refusal wrong(String sentence) {
        return Refusal.invalid("file", sentence + " Nothing was saved.");
    }

    private static @Nullable String text(JsonNode of, String name) {
        String text = of.path(name).asString("").strip();
        return text.isEmpty() ? null : text;
    }

    private static String cut(String text, int most) {
        String plain = text.replace("\0", "").replaceAll("\\s+", " ").strip();
        return plain.length() <= most ? plain : plain.substring(0, most - 1) + "…";
    }

    /** One package as it is being read. */
    private static final class Reading {
        private final Map<String, JsonNode> items = new LinkedHashMap<>();
        private final Map<String, String> parents = new HashMap<>();
        private final Map<String, List<Child>> children = new HashMap<>();
        private final Map<String, List<String>> before = new HashMap<>();
        private final String title;
        private final List<String> notices = new ArrayList<>();

        Reading(JsonNode all, String title) {
            this.title = title;
            all.path("CFItems").forEach(i -> {
                String id = text(i, "identifier");
                if (id != null) {
                    items.putIfAbsent(id, i);
                }
            });
            int order = 0;
            Set<String> passed = new HashSet<>();
            for (JsonNode a : all.path("CFAssociations")) {
                String from = text(a.path("originNodeURI"), "identifier");
                String to = text(a.path("destinationNodeURI"), "identifier");
                String type = a.path("associationType").asString("");
                if (from == null || to == null || !items.containsKey(from)) {
                    continue;
                }
                switch (type) {
                    case "isChildOf" -> {
                        parents.putIfAbsent(from, to);
                        children.computeIfAbsent(to, k -> new ArrayList<>()).add(new Child(from, a.path("sequenceNumber").asInt(Integer.MAX_VALUE), order++));
                    }
                    case "precedes" -> before.computeIfAbsent(to, k -> new ArrayList<>()).add(from);
                    default -> passed.add(type);
                }
            }
            if (!passed.isEmpty()) {
                notices.add("Associations that are not read: " + String.join(", ", passed.stream().sorted().toList()) + ".");
            }
        }

        CasePackage read(String id, @Nullable String creator) {
            List<CaseSkill> skills = new ArrayList<>();
            Set<String> seen = new HashSet<>();
            // From the document down, in the order that its associations tell; then whatever hangs nowhere.
            walk(id, seen, skills);
            items.keySet().stream().filter(i -> !parents.containsKey(i) || !items.containsKey(parents.get(i)) && !id.equals(parents.get(i)))
                    .forEach(i -> visit(i, seen, skills));
            int circled = items.size() - (int) items.keySet().stream().filter(seen::contains).count();
            if (circled > 0) {
                notices.add(
                        circled + (circled == 1 ? " item is a child of itself" : " items are children of themselves") + ", by way of others, and left out.");
            }
            if (skills.isEmpty()) {
                throw wrong("The package has no item without children, so no skill.");
            }
            return new CasePackage(id, title, creator == null ? null : cut(creator, 200), skills, notices);
        }

        private void walk(String parent, Set<String> seen, List<CaseSkill> skills) {
            children.getOrDefault(parent, List.of()).stream().sorted(Comparator.comparingInt(Child::sequence).thenComparingInt(Child::order))
                    .forEach(c -> visit(c.id(), seen, skills));
        }

        private void visit(String id, Set<String> seen, List<CaseSkill> skills) {
            if (!seen.add(id)) {
                return;
            }
            if (children.containsKey(id)) {
                walk(id, seen, skills);
            } else {
                skills.add(skill(id));
            }
        }

        private CaseSkill skill(String id) {
            JsonNode item = java.util.Objects.requireNonNull(items.get(id));
            List<String> above = new ArrayList<>();
            Set<String> passed = new HashSet<>();
            for (String p = parents.get(id); p != null && items.containsKey(p) && passed.add(p); p = parents.get(p)) {
                above.add(name(p));
            }
            String full = text(item, "fullStatement");
            String area = above.isEmpty() ? title : above.get(above.size() - 1);
            return new CaseSkill(id, text(item, "humanCodingScheme"), cut(name(id), NAME), full == null ? null : cut(full, 1000), cut(area, 60),
                    cut(above.isEmpty() ? title : above.get(0), 80), grade(item), before.getOrDefault(id, List.of()));
        }

        private String name(String id) {
            JsonNode item = java.util.Objects.requireNonNull(items.get(id));
            String brief = text(item, "abbreviatedStatement");
            String full = brief == null ? text(item, "fullStatement") : brief;
            String code = text(item, "humanCodingScheme");
            return full != null ? full : code != null ? code : id;
        }

        /** The first of its grades; KG is 0. */
        private static @Nullable Integer grade(JsonNode item) {
            for (JsonNode level : item.path("educationLevel")) {
                String text = level.asString("").strip();
                if (text.equalsIgnoreCase("KG") || text.equalsIgnoreCase("K")) {
                    return 0;
                }
                if (text.matches("0?[1-9]|1[0-3]")) {
                    return Integer.valueOf(text);
                }
            }
            return null;
        }
    }
}
