package org.zealousladder.server.monitoring.trends;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.zealousladder.core.criteria.Subject;
import org.zealousladder.core.criteria.Term;
import org.zealousladder.core.decisions.Proposal;
import org.zealousladder.core.growth.Trend;
import org.zealousladder.server.measures.measures.MeasureTerms;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.platform.criteria.AnswersTerms;
import org.zealousladder.server.platform.criteria.Asking;
import org.zealousladder.server.platform.criteria.Values;
import org.zealousladder.server.school.roster.RosterService;

/** How monitored students do: reckoned by the same code as their charts, so that the figures are the same. */
@Component
class TrendTerms implements AnswersTerms {
    private final MeasureTerms names;
    private final MeasuresService measures;
    private final CardsService cards;
    private final RosterService roster;

    TrendTerms(MeasureTerms names, MeasuresService measures, CardsService cards, RosterService roster) {
        this.names = names;
        this.measures = measures;
        this.cards = cards;
        this.roster = roster;
    }

    @Override
    public Map<Term, How> terms() {
        return Map.of(Term.IMPROVEMENT, (s, a) -> of(s, a, p -> p.trend() instanceof Trend.Fitted f ? f.slope() : null),
                Term.CHANCE, (s, a) -> of(s, a, TrendTerms::chance),
                Term.PROPOSAL, (s, a) -> of(s, a, p -> p.proposal() == null ? null : p.proposal().kind().label().toLowerCase(Locale.ROOT)),
                Term.DECISION_DUE, (s, a) -> of(s, a, Progress::waits).orNo());
    }

    /** Not said while it is too soon to tell, as on the charts. */
    private static @Nullable Double chance(Progress p) {
        Double chance = p.proposal() == null || p.proposal().kind() == Proposal.Kind.TOO_SOON ? null : p.proposal().figures().chance();
        return chance == null ? null : 100 * chance;
    }

    /** Of measures that a student is not monitored on nothing is said. */
    private Values of(Subject s, Asking a, Function<Progress, @Nullable Object> what) {
        List<Integer> meant = Arrays.stream(names.ids(s)).map(Short::intValue).toList();
        return Values.figured(ids -> {
            Map<Integer, Object> all = new HashMap<>();
            for (Progress p : a.once(List.of(TrendTerms.class, ids, meant), () -> progress(ids, meant, a))) {
                Object value = what.apply(p);
                if (value != null) {
                    // Of several measures, whether on any of them.
                    all.merge(p.student().id(), value, (x, y) -> x instanceof Boolean b && b ? x : y);
                }
            }
            return all;
        });
    }

    private List<Progress> progress(List<Integer> ids, List<Integer> meant, Asking a) {
        return roster.byYear(ids, a.asOf()).entrySet().stream().flatMap(y -> cards
                .progress(y.getValue(), measures.byId(a.asOf()), cards.ground(y.getValue(), meant, a.asOf()), y.getKey(), a.asOf()).stream()).toList();
    }
}
