package org.zealousladder.core.skills;

import java.util.Collection;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import org.zealousladder.core.Interval;
import org.zealousladder.core.summary.Shares;

/**
 * A class on a skill.
 *
 * @param students in the class
 * @param tried with an answer, however few
 */
public record ClassSkill(int students, int tried, int secure, int shaky, int notYet, int tooFew) {
    /** From this share of the class on enough is known of it. */
    private static final double ENOUGH = 0.30;
    /** Ordered by the share that is secure among those who tried; what nobody tried comes last. */
    public static final Comparator<ClassSkill> MOST_SECURE_FIRST = Comparator
            .comparingDouble((ClassSkill c) -> c.share().map(s -> -s.value()).orElse(1.0));

    /** @param states of every student, those who did not try among them */
    public static ClassSkill of(Collection<SkillState> states) {
        Map<SkillState, Integer> n = new EnumMap<>(SkillState.class);
        states.forEach(s -> n.merge(s, 1, Integer::sum));
        int none = n.getOrDefault(SkillState.NOT_TRIED, 0);
        return new ClassSkill(states.size(), states.size() - none, n.getOrDefault(SkillState.SECURE, 0), n.getOrDefault(SkillState.SHAKY, 0),
                n.getOrDefault(SkillState.NOT_YET, 0), n.getOrDefault(SkillState.TOO_FEW, 0));
    }

    /** Secure of those who tried, with Wilson's 95 % interval; empty where nobody did. */
    public Optional<Interval> share() {
        return tried == 0 ? Optional.empty() : Optional.of(Shares.wilson(secure, tried));
    }

    /** Whether enough of the class tried for its share to say something of the class. */
    public boolean enoughKnown() {
        return students > 0 && tried >= ENOUGH * students;
    }
}
