package org.zealousladder.cli.compute;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.zealousladder.core.Coded;
import org.zealousladder.core.engagement.EngagementRule;
import org.zealousladder.core.engagement.EngagementSettings;
import org.zealousladder.core.engagement.RuleSetting;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Rules in JSON: a property for each that is otherwise than usual, by its code, with {@code on}, {@code threshold}, {@code weeks}, {@code share} and {@code lowestQuarter}. */
final class RulesFile {
    private static final List<String> KNOWN = List.of("on", "threshold", "weeks", "share", "lowestQuarter");

    private RulesFile() {}

    /** @throws IllegalArgumentException for what is no rule, no setting of it, or none that can be */
    static EngagementSettings read(Path path) throws IOException {
        JsonNode all;
        try {
            all = JsonMapper.shared().readTree(Files.readString(path));
        } catch (JacksonException e) {
            throw new IllegalArgumentException(path + " is no JSON: " + e.getOriginalMessage());
        }
        if (!all.isObject()) {
            throw new IllegalArgumentException(path + " holds an object with a property for each rule, like {\"quiet\": {\"threshold\": 0.4}}");
        }
        Map<EngagementRule, RuleSetting> rules = new EnumMap<>(EngagementRule.class);
        all.properties().forEach(p -> {
            EngagementRule rule = Coded.of(EngagementRule.class, p.getKey(), "a rule");
            rules.put(rule, rule(p.getKey(), p.getValue(), rule.standard()));
        });
        return new EngagementSettings(rules);
    }

    private static RuleSetting rule(String code, JsonNode given, RuleSetting usual) {
        if (given.isBoolean()) {
            return given.asBoolean() ? usual : usual.off();
        }
        if (!given.isObject()) {
            throw new IllegalArgumentException(code + " wants an object, like {\"on\": false}");
        }
        given.propertyNames().forEach(name -> {
            if (!KNOWN.contains(name)) {
                throw new IllegalArgumentException("'" + name + "' is nothing that " + code + " has; use " + String.join(", ", KNOWN));
            }
        });
        double weeks = number(code, given, "weeks", usual.weeks());
        if (weeks != Math.rint(weeks)) {
            throw new IllegalArgumentException("weeks of " + code + " are a whole number");
        }
        return new RuleSetting(flag(code, given, "on", usual.on()), number(code, given, "threshold", usual.threshold()),
                number(code, given, "share", usual.share()), (int) weeks,
                flag(code, given, "lowestQuarter", usual.lowestQuarter()));
    }

    private static boolean flag(String code, JsonNode given, String name, boolean usual) {
        JsonNode value = given.path(name);
        if (!value.isMissingNode() && !value.isBoolean()) {
            throw new IllegalArgumentException(name + " of " + code + " is true or false, not " + value);
        }
        return value.asBoolean(usual);
    }

    private static double number(String code, JsonNode given, String name, double usual) {
        JsonNode value = given.path(name);
        if (!value.isMissingNode() && !value.isNumber()) {
            throw new IllegalArgumentException(name + " of " + code + " is a number, not " + value);
        }
        return value.asDouble(usual);
    }
}
