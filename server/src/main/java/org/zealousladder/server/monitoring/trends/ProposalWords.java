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
        return d.rule().rule().label() + ", "
                + (since == null ? threshold.replaceFirst(",$", "") + "." : threshold + " since " + DAY.format(since).replace(' ', '\u00a0') + ".");
    }

    private static String threshold(Proposal d) {
        RuleSettings s = d.rule();
        return switch (d.kind()) {
            case CHANGE -> switch (s.rule()) {
                case CHANCE -> "under " + percent(s.changeAtMost(d.figures().share())) + " %" + scores(d);
                case TREND -> "slower than needed";
                case LAST_POINTS -> s.lastPoints() + " short of the line";
            };
            case RAISE -> switch (s.rule()) {
                case CHANCE -> "over " + percent(s.raiseAtLeast(d.figures().share())) + " %" + scores(d);
                case TREND -> "faster than needed";
                case LAST_POINTS -> s.lastPoints() + " past the line";
            };
            default -> "";
        };
    }

    /** With a decimal at either end, where it matters. */
    private static String percent(double chance) {
        double hundred = 100 * chance;
        return hundred < 10 || hundred > 90 ? String.format(Locale.ENGLISH, "%.1f", hundred).replace(".0", "") : "" + Math.round(hundred);
    }

    private static String scores(Proposal d) {
        int in = d.figures().scores();
        int planned = d.figures().planned();
        return planned > in ? " at " + in + " of " + planned + " scores," : "";
    }
}
