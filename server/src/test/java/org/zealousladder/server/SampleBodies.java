package org.zealousladder.server;

import java.util.Map;
import java.util.TreeMap;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Bodies as the description of the interface wants them, that speak of certain things: what a property of a name holds is said, the rest is made up to fit. */
final class SampleBodies {
    private static final int DEEPEST = 6;

    private final JsonNode description;
    private final Map<String, JsonNode> named;

    /** @param named what stands in properties of a name, whatever form they are in */
    SampleBodies(JsonMapper json, JsonNode description, Map<String, Object> named) {
        this.description = description;
        this.named = new TreeMap<>();
        named.forEach((name, value) -> this.named.put(name, json.valueToTree(value)));
    }

    /** An empty object where nothing is described. */
    JsonNode of(JsonNode operation) {
        JsonNode schema = operation.at("/requestBody/content").valueStream().findFirst().map(c -> c.path("schema"))
                .orElse(JsonNodeFactory.instance.objectNode());
        return of("", schema, 0);
    }

    private JsonNode of(String name, JsonNode schema, int deep) {
        JsonNode said = named.get(name);
        boolean many = schema.path("type").asString("").equals("array");
        if (said != null && (said.isArray() == many || !many)) {
            return said;
        }
        if (schema.has("$ref")) {
            String ref = schema.get("$ref").asString();
            return deep > DEEPEST ? JsonNodeFactory.instance.objectNode() : of(name, description.at(ref.substring(1)), deep + 1);
        }
        if (schema.has("enum")) {
            return schema.get("enum").get(0);
        }
        return switch (schema.path("type").asString("object")) {
            case "array" -> {
                ArrayNode list = JsonNodeFactory.instance.arrayNode();
                yield list.add(of(name.replaceAll("s$", ""), schema.path("items"), deep + 1));
            }
            case "integer" -> JsonNodeFactory.instance.numberNode(1);
            case "number" -> JsonNodeFactory.instance.numberNode(40);
            case "boolean" -> JsonNodeFactory.instance.booleanNode(true);
            case "string" -> JsonNodeFactory.instance.stringNode(schema.path("format").asString("").equals("date") ? "2026-03-13" : "Something");
            default -> {
                ObjectNode all = JsonNodeFactory.instance.objectNode();
                schema.path("properties").properties().forEach(p -> all.set(p.getKey(), of(p.getKey(), p.getValue(), deep + 1)));
                yield all;
            }
        };
    }
}
