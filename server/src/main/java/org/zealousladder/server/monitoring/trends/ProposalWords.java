package org.zealousladder.server.monitoring.trends;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.decisions.Proposal;
import org.zealousladder.core.decisions.RuleSettings;

/** What a proposal rests on, in a line: the rule, its threshold, since when. */
final class ProposalWords {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);

    private ProposalWords() {}

    static String evidence(Proposal d, @Nullable LocalDate since) {
        String threshold = threshold(d);
        if (threshold.isEmpty()) {
            return d.kind() == Proposal.Kind.HOLD || d.kind() == Proposal.Kind.TOO_SOON ? d.rule().rule().label() + "." : "Goal date passed.";
        }
        return d.rule().rule().label() + ", " + threshold + (since == null ? "." : " since " + DAY.format(since) + ".");
    }

    private static String threshold(Proposal d) {
        RuleSettings s = d.rule();
        return switch (d.kind()) {
            case CHANGE -> switch (s.rule()) {
                case CHANCE -> "at most " + Math.round(100 * s.changeAtMost()) + " %";
                case TREND -> "slower than needed";
                case LAST_POINTS -> s.lastPoints() + " short of the line";
            };
            case RAISE -> switch (s.rule()) {
                case CHANCE -> "at least " + Math.round(100 * s.raiseAtLeast()) + " %";
                case TREND -> "faster than needed";
                case LAST_POINTS -> s.lastPoints() + " past the line";
            };
            default -> "";
        };
    }
}
