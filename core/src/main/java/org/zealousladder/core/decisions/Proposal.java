package org.zealousladder.core.decisions;

import org.zealousladder.core.Coded;

/**
 * A proposed next step. The program proposes; a person decides.
 *
 * @param kind what is proposed
 * @param rule the rule that proposed it
 * @param figures the numbers it used
 */
public record Proposal(Kind kind, RuleSettings rule, Figures figures) {

    /** What can be proposed. */
    public enum Kind implements Coded {
        HOLD("Hold course"),
        RAISE("Raise the goal"),
        CHANGE("Change the plan"),
        TOO_SOON("Too soon to tell"),
        MET("Goal met"),
        NOT_MET("Goal not met");

        private final String label;

        Kind(String label) {
            this.label = label;
        }

        /** In words, as buttons and lists have it. */
        public String label() {
            return label;
        }

        /** True when somebody has to decide something. */
        public boolean wantsAction() {
            return this == CHANGE || this == RAISE || this == MET || this == NOT_MET;
        }
    }

    /** The sentence that says why. Built when asked for, so that deciding a district costs no text. */
    public String reason() {
        return Reasons.of(this);
    }

    /** The part of the reason that is the rule's own. */
    public String evidence() {
        return Reasons.evidence(this);
    }

    /** Whether half of the planned scores are in; what is proposed before is early, however sure. */
    public boolean firm() {
        return figures.share() >= 0.5;
    }

    /** What the chance would be enough for if all planned scores were in, while it is not yet; otherwise {@link Kind#HOLD}. */
    public Kind ahead() {
        Double chance = figures.chance();
        if (kind != Kind.HOLD || rule.rule() != Rule.CHANCE || chance == null) {
            return Kind.HOLD;
        }
        return chance <= rule.changeAtMost() ? Kind.CHANGE : chance >= rule.raiseAtLeast() ? Kind.RAISE : Kind.HOLD;
    }

    /**
     * Order on the desk, higher first; 0 when nothing is to be done. Plans that do not work come before goals that are too easy, whatever the rule; among each,
     * the surer before the less sure.
     */
    public double priority() {
        Double known = figures.chance();
        double chance = known == null ? 0.5 : known;
        return switch (kind) {
            case CHANGE -> 4 - chance;
            case NOT_MET -> 2.5;
            case RAISE -> 1.5 + 0.5 * chance;
            case MET -> 1;
            case HOLD, TOO_SOON -> 0;
        };
    }
}
