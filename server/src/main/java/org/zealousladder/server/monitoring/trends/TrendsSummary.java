package org.zealousladder.server.monitoring.trends;

import java.util.ArrayList;
import java.util.List;
import org.zealousladder.core.decisions.Proposal;
import org.zealousladder.server.platform.words.Words;

/** The sentence above the charts: what wants deciding, counted. */
final class TrendsSummary {
    private TrendsSummary() {}

    static String of(List<TrendCard> cards) {
        List<String> parts = new ArrayList<>();
        add(parts, count(cards, Proposal.Kind.CHANGE), "plan wants changing", "plans want changing");
        add(parts, count(cards, Proposal.Kind.NOT_MET), "goal was not met", "goals were not met");
        add(parts, count(cards, Proposal.Kind.RAISE), "goal can be raised", "goals can be raised");
        add(parts, count(cards, Proposal.Kind.MET), "goal is met", "goals are met");
        add(parts, count(cards, Proposal.Kind.TOO_SOON), "cannot be told yet", "cannot be told yet");
        if (cards.isEmpty()) {
            return "";
        }
        return parts.isEmpty() ? "All are on course." : Words.sentence(String.join(", ", parts));
    }

    private static void add(List<String> parts, long n, String one, String many) {
        if (n > 0) {
            parts.add(Words.number(n) + " " + (n == 1 ? one : many));
        }
    }

    private static long count(List<TrendCard> cards, Proposal.Kind kind) {
        return cards.stream().filter(c -> c.settledUntil() == null && c.proposal() != null && c.proposal().kind() == kind).count();
    }
}
