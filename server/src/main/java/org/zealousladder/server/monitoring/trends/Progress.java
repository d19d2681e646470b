package org.zealousladder.server.monitoring.trends;

import java.time.LocalDate;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Direction;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.decisions.Proposal;
import org.zealousladder.core.decisions.Proposer;
import org.zealousladder.core.goals.GoalLine;
import org.zealousladder.core.growth.SteadyAlone;
import org.zealousladder.core.growth.SteadyPopulation;
import org.zealousladder.core.growth.Trend;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.monitoring.decisions.Decision;
import org.zealousladder.server.monitoring.goals.Goal;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.scores.scores.Score;

/** How a student is doing on a measure: the newest phase's trend, held against the goal. A list needs no more than this; a card draws it. */
public final class Progress {
    private final CardMaker.Records records;
    private final LocalDate origin;
    private final LocalDate asOf;
    private final Phases phases;
    private final Trend.Fitter alone;
    private final @Nullable SteadyPopulation leaning;
    private final Proposer proposer;
    private final Trend trend;
    private final @Nullable GoalLine line;
    private final @Nullable Proposal proposal;

    private Progress(CardMaker.Records records, LocalDate origin, LocalDate asOf) {
        this.records = records;
        this.origin = origin;
        this.asOf = asOf;
        Measure measure = records.measure();
        Goal goal = records.goal();
        phases = Phases.of(records, origin, asOf);
        alone = records.pool() == null ? new SteadyAlone(measure.semOrZero()) : records.pool().alone();
        // A plan is changed so that growth changes: from then on the others' growth under their plans is no guide to this one's.
        leaning = goal == null || phases.parted() ? null : records.pool();
        proposer = new Proposer(measure.settings(), fitter());
        trend = proposer.fit(phases.newest());
        line = goal == null ? null : goal.line(origin, measure.direction());
        proposal = line == null ? null : proposer.propose(phases.newest(), trend, line, now());
    }

    /** @param origin the day weeks are counted from: the first of the school year */
    static Progress of(CardMaker.Records records, LocalDate origin, LocalDate asOf) {
        return new Progress(records, origin, asOf);
    }

    public StudentRef student() {
        return records.student();
    }

    public Measure measure() {
        return records.measure();
    }

    public @Nullable Goal goal() {
        return records.goal();
    }

    /** What is proposed for the newest phase; null without a goal. */
    public @Nullable Proposal proposal() {
        return proposal;
    }

    /** Until when a decision keeps the proposal quiet; null where none does. */
    public @Nullable LocalDate settledUntil() {
        Decision latest = latest();
        return latest == null || proposal == null || !latest.settles(proposal.kind(), asOf) ? null : latest.lookAgainOn();
    }

    /** The day on which somebody wanted to look again, once it has come. */
    public @Nullable LocalDate lookAgain() {
        Decision latest = latest();
        return latest == null ? null : latest.due(asOf);
    }

    /** Something is proposed and nobody has decided on it yet; or the day has come on which somebody wanted to look again, whatever is proposed. */
    public boolean waits() {
        return proposal != null && settledUntil() == null && (proposal.kind().wantsAction() || lookAgain() != null);
    }

    public Optional<LocalDate> lastScored() {
        return records.scores().stream().filter(Score::scored).map(Score::takenOn).reduce((a, b) -> b);
    }

    /** The level that the newest phase's trend stands at with the last score; empty while there is no trend. */
    public Optional<Double> level() {
        ScoreSeries newest = phases.newest();
        return trend instanceof Trend.Fitted f ? Optional.of(f.level(newest.week(newest.size() - 1)).value()) : Optional.empty();
    }

    /** Whether scores get worse under the present plan, beyond doubt: the slope's whole interval lies on the wrong side. */
    public boolean falls() {
        return trend instanceof Trend.Fitted f && (measure().direction() == Direction.HIGHER_IS_BETTER ? f.slopeHigh() < 0 : f.slopeLow() > 0);
    }

    private @Nullable Decision latest() {
        return records.taken().isEmpty() ? null : records.taken().get(records.taken().size() - 1);
    }

    CardMaker.Records records() {
        return records;
    }

    LocalDate origin() {
        return origin;
    }

    LocalDate asOf() {
        return asOf;
    }

    /** Today in weeks from the origin. */
    double now() {
        return ScoreSeries.weeks(origin, asOf);
    }

    Phases phases() {
        return phases;
    }

    /** How an earlier phase is fitted: by itself, with what scores of the grade are known to vary by. */
    Trend.Fitter alone() {
        return alone.within(measure().bounds());
    }

    /** How the newest is. */
    Trend.Fitter fitter() {
        return leaning == null ? alone() : leaning.within(measure().bounds());
    }

    /** What the newest trend leans on; null where it is fitted by itself. */
    @Nullable
    SteadyPopulation leaning() {
        return leaning;
    }

    Proposer proposer() {
        return proposer;
    }

    Trend trend() {
        return trend;
    }

    @Nullable
    GoalLine line() {
        return line;
    }
}
