package org.zealousladder.core.tiers;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.zealousladder.core.Direction;
import org.zealousladder.core.bands.BandLadder;

/**
 * Proposes a tier from what is known of one student in one window.
 *
 * <ul>
 *   <li>Certainty: each true score is normal about the observed one with the measure's SEM, independent between measures; the
 *       chance that the rule gives the same tier to the true scores.
 *   <li>Weighted: scores are put on one scale by their distance from the cuts in spreads, {@code z = (score - cut)/spread},
 *       turned where lower is better; the student is past a boundary between tiers when the weighted mean of {@code z} is not
 *       negative. A measure without spread does not enter; if none has one, the rule falls back to {@link TierRule#MOST} and says so.
 *   <li>A measure whose ladder lacks a tier is past all boundaries down to the next tier that it has.
 *   <li>No evidence: {@link TierProposal.NotTested}.
 * </ul>
 */
public final class TierProposer {
    /** Chance of another tier above which a proposal is a close call. */
    public static final double CLOSE_CALL = BandLadder.CLOSE_CALL;

    private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);

    private TierProposer() {}

    public static TierProposal propose(TierRule rule, List<Evidence> evidence) {
        if (evidence.isEmpty()) {
            return new TierProposal.NotTested();
        }
        if (rule == TierRule.WEIGHTED) {
            List<Evidence> scaled = evidence.stream().filter(e -> e.spread() > 0).toList();
            if (!scaled.isEmpty()) {
                return weighted(scaled);
            }
            TierProposal.Proposed most = counted(TierRule.MOST, evidence);
            return new TierProposal.Proposed(most.tier(), most.certainty(), most.closeCall(), most.measures(),
                    most.reason() + " Too few scores to weigh the measures, so the tier that most give.");
        }
        return counted(rule, evidence);
    }

    private static TierProposal.Proposed counted(TierRule rule, List<Evidence> evidence) {
        int[] given = evidence.stream().mapToInt(Evidence::tier).toArray();
        int tier = combine(rule, given);
        boolean anyError = evidence.stream().anyMatch(e -> e.sem() > 0);
        OptionalDouble certainty = anyError ? OptionalDouble.of(chanceOf(rule, tier, evidence)) : OptionalDouble.empty();
        return new TierProposal.Proposed(tier, certainty, certainty.isPresent() && 1 - certainty.getAsDouble() > CLOSE_CALL, evidence.size(),
                reason(rule, tier, evidence));
    }

    static int combine(TierRule rule, int[] tiers) {
        TreeMap<Integer, Integer> counts = new TreeMap<>();
        for (int t : tiers) {
            counts.merge(t, 1, Integer::sum);
        }
        if (rule == TierRule.LOWEST) {
            return counts.lastKey();
        }
        int most = counts.values().stream().mapToInt(Integer::intValue).max().orElseThrow();
        return counts.descendingMap().entrySet().stream().filter(e -> e.getValue() == most).findFirst().orElseThrow().getKey();
    }

    /** Chance that the rule gives {@code tier} to the true scores: sums over every combination of the measures' tiers. */
    private static double chanceOf(TierRule rule, int tier, List<Evidence> evidence) {
        List<TreeMap<Integer, Double>> chances = evidence.stream().map(TierProposer::tierChances).toList();
        return sum(rule, tier, chances, new int[evidence.size()], 0, 1);
    }

    private static double sum(TierRule rule, int tier, List<TreeMap<Integer, Double>> chances, int[] chosen, int at, double chance) {
        if (chance < 1e-9) {
            return 0;
        }
        if (at == chosen.length) {
            return combine(rule, chosen) == tier ? chance : 0;
        }
        double total = 0;
        for (var e : chances.get(at).entrySet()) {
            chosen[at] = e.getKey();
            total += sum(rule, tier, chances, chosen, at + 1, chance * e.getValue());
        }
        return total;
    }

    private static TreeMap<Integer, Double> tierChances(Evidence e) {
        TreeMap<Integer, Double> chances = new TreeMap<>();
        double[] inBand = e.ladder().chances(e.score(), e.sem());
        for (int i = 0; i < inBand.length; i++) {
            chances.merge(e.ladder().bands().get(i).tier(), inBand[i], Double::sum);
        }
        return chances;
    }

    private static TierProposal.Proposed weighted(List<Evidence> evidence) {
        List<Integer> tiers = evidence.stream().flatMap(e -> e.ladder().bands().stream()).map(b -> b.tier()).distinct().sorted().toList();
        double weights = evidence.stream().mapToDouble(Evidence::weight).sum();
        double error = Math.sqrt(evidence.stream().mapToDouble(e -> Math.pow(e.weight() * e.sem() / e.spread(), 2)).sum()) / weights;
        // From the best tier down: the first boundary that the student is past gives the tier.
        List<Double> margins = new ArrayList<>();
        for (int k = 0; k < tiers.size() - 1; k++) {
            int boundary = tiers.get(k);
            margins.add(evidence.stream().mapToDouble(e -> e.weight() * margin(e, boundary)).sum() / weights);
        }
        int index = 0;
        while (index < margins.size() && margins.get(index) < 0) {
            index++;
        }
        OptionalDouble certainty = OptionalDouble.empty();
        if (error > 0) {
            double above = index == 0 ? 0 : NORMAL.cumulativeProbability(margins.get(index - 1) / error);
            double below = index == margins.size() ? 0 : NORMAL.cumulativeProbability(-margins.get(index) / error);
            certainty = OptionalDouble.of(Math.max(0, 1 - above - below));
        }
        int tier = tiers.get(index);
        String far = index < margins.size() ? String.format(Locale.ROOT, "%.1f spreads above tier %d", margins.get(index), tiers.get(index + 1))
                : String.format(Locale.ROOT, "%.1f spreads below tier %d", -margins.get(index - 1), tiers.get(index - 1));
        return new TierProposal.Proposed(tier, certainty, certainty.isPresent() && 1 - certainty.getAsDouble() > CLOSE_CALL, evidence.size(),
                "Weighing " + evidence.stream().map(Evidence::name).collect(Collectors.joining(", ")) + ", the student stands " + far + ".");
    }

    /** How far the score is past the cut with which tiers up to {@code tier} begin, in spreads. */
    private static double margin(Evidence e, int tier) {
        BandLadder ladder = e.ladder();
        double[] cuts = ladder.cuts();
        int sign = ladder.direction() == Direction.HIGHER_IS_BETTER ? 1 : -1;
        for (int i = 0; i < cuts.length; i++) {
            if (ladder.bands().get(i + 1).tier() <= tier) {
                return sign * (e.score() - cuts[i]) / e.spread();
            }
        }
        return sign * (e.score() - cuts[cuts.length - 1]) / e.spread();
    }

    private static String reason(TierRule rule, int tier, List<Evidence> evidence) {
        if (evidence.size() == 1) {
            Evidence e = evidence.get(0);
            return e.name() + " " + plain(e.score()) + " is in " + e.ladder().band(e.score()).name() + ".";
        }
        List<String> same = evidence.stream().filter(e -> e.tier() == tier).map(Evidence::name).toList();
        List<String> others = evidence.stream().filter(e -> e.tier() != tier).map(e -> e.name() + " tier " + e.tier()).toList();
        if (others.isEmpty()) {
            return "All " + evidence.size() + " measures say tier " + tier + ".";
        }
        String who = String.join(" and ", same) + (same.size() == 1 ? " says tier " : " say tier ") + tier;
        String but = String.join(", ", others);
        return rule == TierRule.LOWEST ? who + "; " + but + ". The tier with most support counts."
                : same.size() * 2 > evidence.size() ? who + "; " + but + "." : who + "; " + but + ". No tier has most, so the one with more support.";
    }

    private static String plain(double value) {
        return java.math.BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }
}
