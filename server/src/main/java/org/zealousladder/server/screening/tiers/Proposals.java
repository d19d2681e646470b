package org.zealousladder.server.screening.tiers;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.bands.BandLadder;
import org.zealousladder.core.bands.TrueScores;
import org.zealousladder.core.tiers.Evidence;
import org.zealousladder.core.tiers.TierProposal;
import org.zealousladder.core.tiers.TierProposer;
import org.zealousladder.core.tiers.TierRule;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.screening.standings.Cell;
import org.zealousladder.server.screening.standings.Screening;
import org.zealousladder.server.screening.standings.Spreads;
import org.zealousladder.server.screening.standings.StandingsService;
import org.zealousladder.server.screening.tiers.TiersView.ProposedTier;
import org.zealousladder.server.screening.tiers.TiersView.RuleInUse;
import org.zealousladder.server.screening.tiers.TiersView.Weighed;

/** What the rule proposes for each student, in the window looked at and in the one before. */
final class Proposals {
    private final Screening screening;
    private final RuleInUse inUse;
    private final TierRule rule;
    private final Map<Integer, Double> weights;
    private final List<Measure> measures;
    private final Spreads lie;

    Proposals(Screening screening, RuleInUse rule, List<Measure> ofArea, StandingsService standings, LocalDate asOf) {
        this.screening = screening;
        inUse = rule;
        this.rule = rule.rule();
        weights = rule.measures().stream().collect(Collectors.toMap(Weighed::measureId, Weighed::weight));
        measures = ofArea.stream().filter(m -> weights.containsKey(m.id())).toList();
        // Spreads are the whole school's, so that a class has the tiers that it has in the school's list.
        List<Enrolled> everyone = screening.everyone().toList();
        List<Window> windows = screening.standings().windows();
        lie = standings.spreads(everyone, windows, measures, Stream.concat(everyone.stream().map(Enrolled::grade),
                windows.stream().flatMap(w -> screening.standings().grades(w).values().stream())).distinct().toList(), asOf);
    }

    RuleInUse rule() {
        return inUse;
    }

    Optional<ProposedTier> now(Enrolled student) {
        return propose(student, screening.window(), screening.standings().windows().size() - 1);
    }

    Optional<ProposedTier> before(Enrolled student) {
        return screening.before().flatMap(w -> propose(student, w, 0));
    }

    private Optional<ProposedTier> propose(Enrolled student, Window window, int k) {
        List<Evidence> evidence = new ArrayList<>();
        List<Measure> scored = new ArrayList<>();
        // Somebody who came after the window is read by the ladder of the grade they are in.
        int grade = screening.standings().grade(student.id(), window).orElse(student.grade());
        for (Measure m : measures) {
            Cell cell = screening.standings().of(student.id(), m.id()).get(k);
            Optional<BandLadder> ladder = screening.standings().ladders().of(m.id(), window.id(), grade);
            if (cell.scored() && ladder.isPresent()) {
                scored.add(m);
                evidence.add(new Evidence(m.name(), requireNonNull(cell.value()), ladder.get(), m.semOrZero(), requireNonNull(weights.get(m.id())),
                        lie.of(window.id(), m.id(), grade).map(TrueScores.Measured::sd).orElse(0.0)));
            }
        }
        return TierProposer.propose(rule, evidence, truth(evidence, scored, window, grade)) instanceof TierProposal.Proposed p
                ? Optional.of(new ProposedTier(p.tier(), p.certainty().isPresent() ? p.certainty().getAsDouble() : null, p.closeCall(), p.reason(),
                        p.closeCall() ? p.chances().stream().map(c -> new TiersView.Likely(c.tier(), c.chance())).toList() : List.of()))
                : Optional.empty();
    }

    /** Null where too few of the grade have a score on one of the measures. */
    private @Nullable TrueScores truth(List<Evidence> evidence, List<Measure> scored, Window window, int grade) {
        List<TrueScores.Measured> known = scored.stream().flatMap(m -> lie.of(window.id(), m.id(), grade).stream()).toList();
        if (known.isEmpty() || known.size() < scored.size()) {
            return null;
        }
        double[][] together = scored.stream()
                .map(a -> scored.stream().mapToDouble(b -> lie.correlation(window.id(), a.id(), b.id(), grade)).toArray()).toArray(double[][]::new);
        return TrueScores.of(evidence.stream().mapToDouble(Evidence::score).toArray(), known.toArray(TrueScores.Measured[]::new), together);
    }
}
