package org.zealousladder.server.engagement.rules;

import java.time.LocalDate;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.engagement.EngagementRule;
import org.zealousladder.core.engagement.EngagementSettings;
import org.zealousladder.core.engagement.RuleSetting;

/** All that is set on a day, for any class. */
public final class Rules {
    private record Key(Place place, EngagementRule rule) {}

    private final Map<Key, RuleRow> rows = new HashMap<>();

    Rules(List<RuleRow> counting) {
        counting.forEach(r -> rows.put(new Key(r.place(), r.rule()), r));
    }

    /** The same, but for one rule in one place; {@code setting} null leaves it to the wider place. */
    public Rules with(Place place, EngagementRule rule, @Nullable RuleSetting setting) {
        Rules other = new Rules(List.copyOf(rows.values()));
        other.rows.put(new Key(place, rule), new RuleRow(place, rule, setting, "", LocalDate.MIN, null));
        return other;
    }

    /** The rules of a class: each as the narrowest place has it that says something. */
    public EngagementSettings of(int schoolId, int grade, int classId) {
        Map<EngagementRule, RuleSetting> set = new EnumMap<>(EngagementRule.class);
        for (EngagementRule rule : EngagementRule.values()) {
            RuleRow row = counting(places(schoolId, grade, classId), rule);
            if (row != null && row.setting() != null) {
                set.put(rule, row.setting());
            }
        }
        return new EngagementSettings(set);
    }

    private static List<Place> places(int schoolId, int grade, int classId) {
        return List.of(new Place(null, null, classId), new Place(schoolId, grade, null), new Place(schoolId, null, null), new Place(null, null, null));
    }

    /** What counts in a place by itself or by a wider one; null where nobody has said anything. */
    public @Nullable RuleRow counting(List<Place> fromNarrowest, EngagementRule rule) {
        return fromNarrowest.stream().map(p -> rows.get(new Key(p, rule))).filter(r -> r != null && r.setting() != null).findFirst().orElse(null);
    }
}
