package org.zealousladder.core.tiers;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.bands.BandLadder;
import org.zealousladder.core.bands.TrueScores;
import org.zealousladder.core.tiers.TierProposal.Proposed;
import org.zealousladder.core.tiers.TierProposal.TierChance;

/**
 * Proposes a tier from what is known of one student in one window.
 *
 * <ul>
 *   <li>The tier is the one that the rule gives to the scores as they stand. It is never better than every measure says, nor worse than every
 *       measure says.
 *   <li>Chances: each true score is normal about the observed one with the measure's SEM, independent between measures, or as
 *       {@link TrueScores} have it; how likely the rule gives each tier to the true scores. Where another tier is more likely than the one proposed, the reason says so.
 *   <li>Weighted: scores are put on one scale by their distance from the cuts in spreads, {@code z = (score - cut)/spread},
 *       turned where lower is better; the student is past a boundary between tiers when the weighted mean of {@code z} is not
 *       negative. A measure without spread does not enter; if none has one, the rule falls back to {@link TierRule#MOST} and says so.
 *   <li>A measure whose ladder never gives a tier on one side of a boundary has no say in that boundary.
 *   <li>No evidence: {@link TierProposal.NotTested}.
 * </ul>
 */
public final class TierProposer {
    private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);

    private TierProposer() {}

    /** The tier that {@code rule} gives to {@code evidence}, one a measure; {@link TierProposal.NotTested} without any. */
    public static TierProposal propose(TierRule rule, List<Evidence> evidence) {
        return propose(rule, evidence, null);
    }

    /**
     * As {@link #propose(TierRule, List)}, with chances from what the scores say of the true ones in their group.
     *
     * @param truth of the evidence, in its order; null: each true score is normal about the observed one
     */
    public static TierProposal propose(TierRule rule, List<Evidence> evidence, @Nullable TrueScores truth) {
        if (evidence.isEmpty()) {
            return new TierProposal.NotTested();
        }
        if (rule == TierRule.WEIGHTED) {
            if (evidence.stream().anyMatch(e -> e.spread() > 0)) {
                return weighted(evidence, truth);
            }
            Proposed most = counted(TierRule.MOST, evidence, truth);
            return new Proposed(most.tier(), most.chances(), most.measures(),
                    most.reason() + " Too few scores to weigh the measures, so the tier that most give.");
        }
        return counted(rule, evidence, truth);
    }

    private static Proposed counted(TierRule rule, List<Evidence> evidence, @Nullable TrueScores truth) {
        int[] given = evidence.stream().mapToInt(Evidence::tier).toArray();
        int tier = combine(rule, given);
        boolean anyError = evidence.stream().anyMatch(e -> e.sem() > 0);
        List<TierChance> chances = truth != null ? chances(rule, evidence, truth) : anyError ? chances(rule, evidence) : List.of();
        return proposed(tier, chances, evidence.size(), reason(rule, tier, evidence));
    }

    private static List<TierChance> chances(TierRule rule, List<Evidence> evidence, TrueScores truth) {
        List<Integer> tiers = tiers(evidence);
        if (evidence.size() == 1) {
            TreeMap<Integer, Double> one = tierChances(evidence.get(0), truth.mean(0), truth.sd(0));
            return tiers.stream().map(t -> new TierChance(t, one.getOrDefault(t, 0.0))).toList();
        }
        // What the rule makes of bands is asked once for each combination, not for each point.
        Map<Integer, Integer> known = new HashMap<>();
        double[] chances = truth.chances(tiers.size(), t -> {
            int bands = 0;
            for (int i = 0; i < t.length; i++) {
                bands = bands * BandLadder.MOST + evidence.get(i).ladder().index(t[i]);
            }
            return known.computeIfAbsent(bands, b -> tiers.indexOf(combine(rule, tiersOf(b, evidence))));
        });
        return IntStream.range(0, tiers.size()).mapToObj(i -> new TierChance(tiers.get(i), chances[i])).toList();
    }

    /** @param bands the measures' band numbers as digits, the last measure's lowest */
    private static int[] tiersOf(int bands, List<Evidence> evidence) {
        int[] given = new int[evidence.size()];
        int rest = bands;
        for (int i = given.length - 1; i >= 0; i--) {
            given[i] = evidence.get(i).ladder().bands().get(rest % BandLadder.MOST).tier();
            rest /= BandLadder.MOST;
        }
        return given;
    }

    private static List<Integer> tiers(List<Evidence> evidence) {
        return evidence.stream().flatMap(e -> e.ladder().bands().stream()).map(b -> b.tier()).distinct().sorted().toList();
    }

    /** With the reason's last sentence where the scores' error makes another tier more likely. */
    private static Proposed proposed(int tier, List<TierChance> chances, int measures, String reason) {
        double own = chances.stream().filter(c -> c.tier() == tier).mapToDouble(TierChance::chance).sum();
        Optional<TierChance> likelier = chances.stream().max(Comparator.comparingDouble(TierChance::chance)).filter(c -> c.chance() > own + 0.005);
        return new Proposed(tier, chances, measures, likelier.map(c -> reason + " Counting the error of the scores, tier "
                + c.tier() + " is more likely (" + Math.round(100 * c.chance()) + " % against " + Math.round(100 * own) + " %).").orElse(reason));
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

    /** How likely the rule gives each tier to the true scores: sums over every combination of the measures' tiers. */
    private static List<TierChance> chances(TierRule rule, List<Evidence> evidence) {
        TreeMap<Integer, Double> total = new TreeMap<>();
        add(rule, evidence.stream().map(e -> tierChances(e, e.score(), e.sem())).toList(), new int[evidence.size()], 0, 1, total);
        return total.entrySet().stream().map(e -> new TierChance(e.getKey(), e.getValue())).toList();
    }

    private static void add(TierRule rule, List<TreeMap<Integer, Double>> chances, int[] chosen, int at, double chance, TreeMap<Integer, Double> total) {
        if (chance < 1e-9) {
            return;
        }
        if (at == chosen.length) {
            total.merge(combine(rule, chosen), chance, Double::sum);
            return;
        }
        for (var e : chances.get(at).entrySet()) {
            chosen[at] = e.getKey();
            add(rule, chances, chosen, at + 1, chance * e.getValue(), total);
        }
    }

    private static TreeMap<Integer, Double> tierChances(Evidence e, double score, double error) {
        TreeMap<Integer, Double> chances = new TreeMap<>();
        double[] inBand = e.ladder().chances(score, error);
        for (int i = 0; i < inBand.length; i++) {
            chances.merge(e.ladder().bands().get(i).tier(), inBand[i], Double::sum);
        }
        return chances;
    }

    /**
     * The boundary between tier {@code upTo} and those with more support, as the measures see it together.
     *
     * @param margin weighted mean distance past it, in spreads
     * @param expected the same of the true scores
     * @param error standard error of that
     */
    private record Boundary(double margin, double expected, double error) {
        boolean past() {
            return margin >= 0;
        }

        /** Chance that the true scores are past it. */
        double chance() {
            return error == 0 || Double.isInfinite(expected) ? expected >= 0 ? 1 : 0 : NORMAL.cumulativeProbability(expected / error);
        }

        static Boundary of(int upTo, List<Evidence> evidence, @Nullable TrueScores truth) {
            double weights = 0;
            double sum = 0;
            double expected = 0;
            double variance = 0;
            double[] share = new double[evidence.size()];
            for (int i = 0; i < share.length; i++) {
                Evidence e = evidence.get(i);
                OptionalDouble z = e.spread() > 0 ? TierProposer.margin(e, upTo) : OptionalDouble.empty();
                if (z.isPresent()) {
                    weights += e.weight();
                    sum += e.weight() * z.getAsDouble();
                    share[i] = e.weight() * e.ladder().direction().sign() / e.spread();
                    variance += Math.pow(share[i] * e.sem(), 2);
                    expected += truth == null ? 0 : share[i] * (truth.mean(i) - e.score());
                }
            }
            if (weights == 0) {
                boolean all = evidence.stream().filter(e -> e.spread() > 0).allMatch(e -> e.tier() <= upTo);
                double far = all ? Double.POSITIVE_INFINITY : Double.NEGATIVE_INFINITY;
                return new Boundary(far, far, 0);
            }
            return new Boundary(sum / weights, (sum + expected) / weights, (truth == null ? Math.sqrt(variance) : truth.sd(share)) / weights);
        }
    }

    private static Proposed weighted(List<Evidence> all, @Nullable TrueScores truth) {
        List<Evidence> evidence = all.stream().filter(e -> e.spread() > 0).toList();
        List<Integer> tiers = tiers(evidence);
        // From the best tier down: the first boundary that the student is past gives the tier.
        List<Boundary> boundaries = tiers.subList(0, tiers.size() - 1).stream().map(upTo -> Boundary.of(upTo, all, truth)).toList();
        int index = 0;
        while (index < boundaries.size() && !boundaries.get(index).past()) {
            index++;
        }
        List<TierChance> chances = new ArrayList<>();
        if (truth != null || evidence.stream().anyMatch(e -> e.sem() > 0)) {
            double soFar = 0;
            for (int i = 0; i < tiers.size(); i++) {
                double upTo = i == boundaries.size() ? 1 : Math.max(soFar, boundaries.get(i).chance());
                chances.add(new TierChance(tiers.get(i), upTo - soFar));
                soFar = upTo;
            }
        }
        return proposed(tiers.get(index), chances, evidence.size(), weighing(evidence, tiers, boundaries, index));
    }

    private static String weighing(List<Evidence> evidence, List<Integer> tiers, List<Boundary> boundaries, int index) {
        String far = "in tier " + tiers.get(index);
        if (index < boundaries.size() && Double.isFinite(boundaries.get(index).margin())) {
            far = String.format(Locale.ROOT, "%.1f spreads above tier %d", boundaries.get(index).margin(), tiers.get(index + 1));
        } else if (index > 0 && Double.isFinite(boundaries.get(index - 1).margin())) {
            far = String.format(Locale.ROOT, "%.1f spreads below tier %d", -boundaries.get(index - 1).margin(), tiers.get(index - 1));
        }
        return "Weighing " + evidence.stream().map(Evidence::name).collect(Collectors.joining(", ")) + ", the student stands " + far + ".";
    }

    /** How far the score is past the cut with which tiers up to {@code upTo} begin, in spreads; empty where the ladder has only one side of it. */
    private static OptionalDouble margin(Evidence e, int upTo) {
        BandLadder ladder = e.ladder();
        double[] cuts = ladder.cuts();
        if (ladder.bands().get(0).tier() <= upTo) {
            return OptionalDouble.empty();
        }
        for (int i = 0; i < cuts.length; i++) {
            if (ladder.bands().get(i + 1).tier() <= upTo) {
                return OptionalDouble.of(ladder.direction().sign() * (e.score() - cuts[i]) / e.spread());
            }
        }
        return OptionalDouble.empty();
    }

    private static String reason(TierRule rule, int tier, List<Evidence> evidence) {
        if (evidence.size() == 1) {
            Evidence e = evidence.get(0);
            return e.name() + " " + plain(e.score()) + " is in " + e.ladder().band(e.score()).name() + ".";
        }
        List<String> same = evidence.stream().filter(e -> e.tier() == tier).map(Evidence::name).toList();
        List<String> others = evidence.stream().filter(e -> e.tier() != tier).map(e -> e.name() + " tier " + e.tier()).toList();
        if (others.isEmpty()) {
            return (evidence.size() == 2 ? "Both" : "All " + evidence.size()) + " measures say tier " + tier + ".";
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
