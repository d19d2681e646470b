package org.zealousladder.server;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Makes of what is right what is not, the same each time. */
final class Mutator {
    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

    /** What people, programs and attackers send instead of what is asked for. */
    static final List<String> NASTY = List.of("", " ", "\0", "a\0b", "\u0007", "\u202Eabc", "\uD800", "\uFFFF", "'", "\"; drop table x; --", "%", "%ff",
            "%00",
            "0000-01-01", "2026-02-30", "9999-12-31", "-0001-01-01", "+12026-01-01", "2026-3-1", "٣", "१२", "1e400", "1e-400", "-1e308", "NaN", "Infinity",
            "0x10",
            "1.7976931348623157e308", "99999999999999999999", "-1", "0", "2147483647", "2147483648", "-2147483648", "null", "true", "[]", "{}", "class-",
            "class--1",
            "class-99999999999", "school-0", "grade-3", "grade-99-1", "../../etc/passwd", "=1+1", "\r\nSet-Cookie: a=b", "é", "e\u0301", "𝔘𝔫𝔦",
            "x".repeat(300),
            "x".repeat(3000));

    final Random random;

    Mutator(long seed) {
        random = new Random(seed);
    }

    <T> T any(List<T> of) {
        return of.get(random.nextInt(of.size()));
    }

    /** Mostly still JSON, with other things in some places. */
    String mutated(JsonNode tree) {
        if (random.nextInt(12) == 0) {
            String good = tree.toString();
            int cut = random.nextInt(good.length());
            return good.substring(0, cut) + any(NASTY) + good.substring(Math.min(good.length(), cut + random.nextInt(3)));
        }
        for (int n = 1 + random.nextInt(2); n > 0; n--) {
            mutate(tree);
        }
        return tree.toString();
    }

    private void mutate(JsonNode node) {
        if (node instanceof ObjectNode object && !object.isEmpty()) {
            String name = any(List.copyOf(object.propertyNames()));
            JsonNode inner = object.get(name);
            if (inner.isContainer() && !inner.isEmpty() && random.nextBoolean()) {
                mutate(inner);
            } else if (random.nextInt(8) == 0) {
                object.remove(name);
            } else {
                object.set(name, replacement());
            }
        } else if (node instanceof ArrayNode array) {
            switch (random.nextInt(4)) {
                case 0 -> array.add(NODES.nullNode());
                case 1 -> array.add(replacement());
                case 2 -> {
                    if (!array.isEmpty()) {
                        array.add(array.get(0).deepCopy());
                    }
                }
                default -> {
                    if (!array.isEmpty()) {
                        mutate(array.get(0));
                    }
                }
            }
        }
    }

    private JsonNode replacement() {
        return switch (random.nextInt(9)) {
            case 0 -> NODES.nullNode();
            case 1 -> NODES.numberNode(random.nextInt(5) - 2);
            case 2 -> NODES.numberNode(any(List.of(1e308, -1e308, 1e-320, 0.1, -0.0, 3e9)));
            case 3 -> NODES.numberNode(any(List.of(Long.MAX_VALUE, Long.MIN_VALUE, 2147483647L, -2147483648L, 999_999L)));
            case 4 -> NODES.arrayNode();
            case 5 -> NODES.objectNode();
            case 6 -> NODES.booleanNode(random.nextBoolean());
            default -> NODES.stringNode(any(NASTY));
        };
    }

    /** @param rows 1: the file itself may be broken anywhere; more: so many rows, each with one cell that is another */
    byte[] bytes(List<String> good, int rows) {
        return rows == 1 ? broken(good) : String.join("\n", wrong(good, rows)).getBytes(StandardCharsets.UTF_8);
    }

    private List<String> wrong(List<String> good, int rows) {
        List<String> lines = new ArrayList<>(List.of(good.get(0)));
        for (int row = 0; row < rows; row++) {
            List<String> cells = new ArrayList<>(List.of(good.get(1 + random.nextInt(good.size() - 1)).split(",", -1)));
            cells.set(random.nextInt(cells.size()), "\"" + any(NASTY).replace("\"", "\"\"") + "\"");
            lines.add(String.join(",", cells));
        }
        return lines;
    }

    private byte[] broken(List<String> good) {
        List<String> lines = new ArrayList<>(good);
        for (int n = 1 + random.nextInt(3); n > 0; n--) {
            int at = random.nextInt(lines.size());
            List<String> cells = new ArrayList<>(List.of(lines.get(at).split(",", -1)));
            int cell = random.nextInt(cells.size());
            switch (random.nextInt(6)) {
                case 0 -> cells.remove(cell);
                case 1 -> cells.add(cell, any(NASTY));
                case 2 -> lines.add(lines.get(at));
                case 3 -> cells.set(cell, "\"" + any(NASTY).replace("\"", "\"\""));
                default -> cells.set(cell, any(NASTY));
            }
            lines.set(at, String.join(random.nextInt(30) == 0 ? ";" : ",", cells));
        }
        byte[] bytes = String.join(random.nextInt(10) == 0 ? "\r\n" : "\n", lines)
                .getBytes(random.nextInt(20) == 0 ? StandardCharsets.UTF_16 : StandardCharsets.UTF_8);
        for (int n = random.nextInt(12) == 0 ? 1 + random.nextInt(4) : 0; n > 0 && bytes.length > 0; n--) {
            bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
        }
        return bytes;
    }
}
