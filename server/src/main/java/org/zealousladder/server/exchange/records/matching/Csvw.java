package org.zealousladder.server.exchange.records.matching;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.platform.files.Forms;
import org.zealousladder.server.platform.files.Subject;
import org.zealousladder.server.platform.files.TableDescription;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A matching as a description of the table in <a href="https://www.w3.org/TR/tabular-metadata/">CSV on the Web</a>: its dialect, and for each column its title, our name
 * for it, its datatype with its format and its words for nothing. What that vocabulary has no word for (fixed values, words with a meaning, columns that bring a measure
 * along) stands under properties of our own namespace, which others pass over.
 */
public final class Csvw {
    static final String OWN = "urn:zealous-ladder:csvw:";

    private final JsonMapper json;

    public Csvw(JsonMapper json) {
        this.json = json;
    }

    /** What a kept description says. */
    public record Read(Matching matching, Forms forms) {}

    public String write(String fileName, Subject about, Matching matching, Forms forms) {
        ObjectNode all = json.createObjectNode();
        all.putArray("@context").add(TableDescription.CONTEXT).addObject().put("ladder", OWN);
        all.put("url", fileName);
        all.put("dc:title", about.label());
        ObjectNode dialect = all.putObject("dialect");
        dialect.put("encoding", forms.letters().charset().name().toLowerCase(java.util.Locale.ROOT)).put("delimiter", String.valueOf(forms.between().sign()));
        dialect.put("header", true);
        ArrayNode columns = all.putObject("tableSchema").putArray("columns");
        for (Matching.Use use : matching.columns()) {
            ObjectNode column = columns.addObject().put("titles", use.heading());
            Subject.Field field = about.field(use.field());
            if (field == null) {
                column.put("suppressOutput", true);
                continue;
            }
            column.put("name", use.with().isEmpty() ? field.name() : field.name() + "_" + columns.size()).put("propertyUrl", "ladder:" + field.name());
            column.set("datatype", TableDescription.datatype(json, field.column(), forms));
            List<String> nothing = new ArrayList<>(List.of(""));
            matching.words().getOrDefault(field.name(), Map.of()).forEach((word, means) -> {
                if (means.equals(Matching.NOTHING)) {
                    nothing.add(word);
                }
            });
            if (nothing.size() > 1) {
                column.set("null", json.valueToTree(nothing));
            }
            if (!use.with().isEmpty()) {
                column.set("ladder:with", json.valueToTree(new TreeMap<>(use.with())));
            }
        }
        all.put("ladder:about", about.code());
        all.set("ladder:fixed", json.valueToTree(new TreeMap<>(matching.fixed())));
        all.set("ladder:words", json.valueToTree(new TreeMap<>(matching.words())));
        // Who is meant by a student's name is said anew each time: it is about one person, and another may come who is called so.
        Map<String, Map<String, String>> names = new TreeMap<>(matching.names());
        names.remove("student");
        all.set("ladder:names", json.valueToTree(names));
        all.set("ladder:forms", json.valueToTree(forms));
        return json.writeValueAsString(all);
    }

    /** Null for a description that is none of ours. */
    public @Nullable Read read(String text) {
        JsonNode all = json.readTree(text);
        if (!all.path("ladder:about").isString()) {
            return null;
        }
        List<Matching.Use> uses = new ArrayList<>();
        for (JsonNode c : all.path("tableSchema").path("columns")) {
            String property = c.path("propertyUrl").asString("");
            uses.add(new Matching.Use(c.path("titles").asString(""), property.isEmpty() ? null : property.substring(property.indexOf(':') + 1),
                    texts(c.path("ladder:with"))));
        }
        Map<String, Map<String, String>> words = new TreeMap<>();
        all.path("ladder:words").properties().forEach(e -> words.put(e.getKey(), texts(e.getValue())));
        Map<String, Map<String, String>> names = new TreeMap<>();
        all.path("ladder:names").properties().forEach(e -> names.put(e.getKey(), texts(e.getValue())));
        return new Read(new Matching(all.path("ladder:about").asString(), uses, texts(all.path("ladder:fixed")), words, names),
                json.treeToValue(all.path("ladder:forms"), Forms.class));
    }

    private static Map<String, String> texts(JsonNode object) {
        Map<String, String> all = new LinkedHashMap<>();
        object.properties().forEach(e -> all.put(e.getKey(), e.getValue().asString()));
        return all;
    }
}
