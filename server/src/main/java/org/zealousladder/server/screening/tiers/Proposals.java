package org.zealousladder.server.screening.tiers;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.bands.BandLadder;
import org.zealousladder.core.tiers.Evidence;
import org.zealousladder.core.tiers.TierProposal;
import org.zealousladder.core.tiers.TierProposer;
import org.zealousladder.core.tiers.TierRule;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.screening.standings.Cell;
import org.zealousladder.server.screening.standings.SchoolScores;
import org.zealousladder.server.screening.standings.Screening;
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
    private final @Nullable SchoolScores now;
    private final @Nullable SchoolScores then;

    Proposals(Screening screening, RuleInUse rule, List<Measure> ofArea, StandingsService standings, LocalDate asOf) {
        this.screening = screening;
        inUse = rule;
        this.rule = rule.rule();
        weights = rule.measures().stream().collect(Collectors.toMap(Weighed::measureId, Weighed::weight));
        measures = ofArea.stream().filter(m -> weights.containsKey(m.id())).toList();
        // Spreads are the whole school's, so that a class has the tiers that it has in the school's list.
        List<Enrolled> everyone = screening.everyone().toList();
        boolean weigh = this.rule == TierRule.WEIGHTED;
        now = weigh ? standings.ofSchool(everyone, screening.window(), measures, asOf) : null;
        then = weigh && screening.before().isPresent() ? standings.ofSchool(everyone, screening.before().get(), measures, asOf) : null;
    }

    RuleInUse rule() {
        return inUse;
    }

    Optional<ProposedTier> now(Enrolled student) {
        return propose(student, screening.window(), screening.standings().windows().size() - 1, now);
    }

    Optional<ProposedTier> before(Enrolled student) {
        return screening.before().flatMap(w -> propose(student, w, 0, then));
    }

    private Optional<ProposedTier> propose(Enrolled student, Window window, int k, @Nullable SchoolScores school) {
        List<Evidence> evidence = new ArrayList<>();
        for (Measure m : measures) {
            Cell cell = screening.standings().of(student.id(), m.id()).get(k);
            // Somebody who came after the window is read by the ladder of the grade they are in.
            int grade = screening.standings().grade(student.id(), window).orElse(student.grade());
            Optional<BandLadder> ladder = screening.standings().ladders().of(m.id(), window.id(), grade);
            if (cell.scored() && ladder.isPresent()) {
                evidence.add(new Evidence(m.name(), requireNonNull(cell.value()), ladder.get(), m.semOrZero(), requireNonNull(weights.get(m.id())),
                        school == null ? 0 : school.spread(m.id(), grade)));
            }
        }
        return TierProposer.propose(rule, evidence) instanceof TierProposal.Proposed p
                ? Optional.of(new ProposedTier(p.tier(), p.certainty().isPresent() ? p.certainty().getAsDouble() : null, p.closeCall(), p.reason(),
                        p.closeCall() ? p.chances().stream().map(c -> new TiersView.Likely(c.tier(), c.chance())).toList() : List.of()))
                : Optional.empty();
    }
}
