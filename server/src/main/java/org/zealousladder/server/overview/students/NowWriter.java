package org.zealousladder.server.overview.students;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.decisions.Proposal;
import org.zealousladder.server.contacts.contacts.Contact;
import org.zealousladder.server.monitoring.trends.TrendCard;
import org.zealousladder.server.overview.students.NextStep.StepKind;
import org.zealousladder.server.overview.students.NowFigure.NowPlace;
import org.zealousladder.server.overview.students.StudentPage.Lane;
import org.zealousladder.server.overview.students.StudentPage.SeasonStanding;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.screening.tiers.TiersOnRecord.TierOnRecord;

/** The paragraph "Now" and the next steps, made of the same figures as the lanes beneath. */
final class NowWriter {
    private static final int MOST_STEPS = 3;
    private static final int WEEKS_WITHOUT_CALL = 6;
    private static final double OFTEN = 0.1;

    private final List<Lane> lanes;
    private final Strips strips;
    private final List<TierOnRecord> tiers;
    private final List<Contact> contacts;
    private final @Nullable Integer schoolDays;
    private final LocalDate yearStarts;
    private final LocalDate asOf;
    private final boolean seesContacts;
    private final int lately;

    /**
     * @param schoolDays of this year while enrolled; null where nothing of the class is on record
     * @param lately minutes in the last four weeks
     * @param seesContacts whether the viewer sees what was said and written
     */
    NowWriter(List<Lane> lanes, Strips strips, List<TierOnRecord> tiers, List<Contact> contacts, @Nullable Integer schoolDays, LocalDate yearStarts,
            LocalDate asOf, boolean seesContacts, int lately) {
        this.lately = lately;
        this.seesContacts = seesContacts;
        this.lanes = lanes;
        this.strips = strips;
        this.tiers = tiers;
        this.contacts = contacts;
        this.schoolDays = schoolDays;
        this.yearStarts = yearStarts;
        this.asOf = asOf;
    }

    List<NowFigure> now() {
        List<NowFigure> all = new ArrayList<>();
        lanes.stream().filter(l -> l.card().goal() != null).forEach(l -> trend(l).ifPresent(all::add));
        strips.plans().stream().filter(Strips.PlanSpan::running).forEach(p -> all.add(new NowFigure("", p.strategy(),
                " " + p.perWeek() + " × a week since " + Words.shortDay(p.from()) + ".", NowPlace.PLANS, null)));
        newestTier().ifPresent(t -> all
                .add(new NowFigure("In " + t.area() + " ", "tier " + t.tier(), " since " + t.window().toLowerCase(Locale.ROOT) + ".", NowPlace.TIERS, null)));
        if (strips.away() != null && schoolDays != null) {
            long away = strips.away().stream().filter(d -> !d.isBefore(yearStarts)).count();
            all.add(new NowFigure("Away ", away + (away == 1 ? " day" : " days"), " of " + schoolDays + " this year.", NowPlace.DAYS, null));
        }
        minutes().ifPresent(all::add);
        if (strips.skills() != null) {
            all.add(new NowFigure("", strips.skills().secure() + (strips.skills().secure() == 1 ? " skill" : " skills") + " secure",
                    ", " + strips.skills().notYet() + " not yet.",
                    NowPlace.SKILLS, null));
        }
        if (!seesContacts) {
            return all;
        }
        all.add(lastCall().map(on -> new NowFigure("Home last reached on ", Words.shortDay(on), ".", NowPlace.CONTACTS, null))
                .orElse(new NowFigure("Home ", "not reached", " this year.", NowPlace.CONTACTS, null)));
        return all;
    }

    private static Optional<NowFigure> trend(Lane lane) {
        TrendCard card = lane.card();
        TrendCard.PhaseTrend newest = card.phases().isEmpty() ? null : card.phases().get(card.phases().size() - 1);
        if (newest == null || card.proposal() == null) {
            return Optional.empty();
        }
        double slope = newest.slope();
        String since = card.planChanges().isEmpty() ? "" : " since the new plan";
        String goal = card.goal() == null ? "" : "; goal " + Words.plain(card.goal().goalScore()) + " by " + Words.shortDay(card.goal().goalDate());
        return Optional.of(new NowFigure(lane.measure().name() + ": " + (slope < 0 ? "losing " : "gaining "),
                String.format(Locale.ROOT, "%.1f a week", Math.abs(slope)), since + goal + ". " + card.proposal().label() + ".", NowPlace.TREND,
                lane.measure().id()));
    }

    private Optional<TierOnRecord> newestTier() {
        return tiers.stream().filter(t -> t.tier() != null).findFirst();
    }

    private Optional<NowFigure> minutes() {
        return strips.weeks().isEmpty() ? Optional.empty()
                : Optional.of(new NowFigure("", lately + " minutes", " of activity in the last four weeks.", NowPlace.TIME, null));
    }

    /** When home was last reached this year. */
    private Optional<LocalDate> lastCall() {
        return contacts.stream().filter(Contact::reachedHome).map(Contact::on).filter(d -> !d.isBefore(yearStarts)).max(Comparator.naturalOrder());
    }

    /** The two or three things that fit, the most pressing first. */
    List<NextStep> next() {
        List<NextStep> all = new ArrayList<>();
        lanes.forEach(l -> decide(l).ifPresent(all::add));
        lanes.forEach(l -> screen(l).ifPresent(all::add));
        goal().ifPresent(all::add);
        callHome().ifPresent(all::add);
        return all.stream().limit(MOST_STEPS).toList();
    }

    private static Optional<NextStep> decide(Lane lane) {
        TrendCard.ProposalView proposal = lane.card().proposal();
        if (proposal == null || !proposal.wantsAction() || lane.card().settledUntil() != null) {
            return Optional.empty();
        }
        String what = proposal.kind() == Proposal.Kind.CHANGE || proposal.kind() == Proposal.Kind.RAISE ? proposal.label() : "Say how it goes on";
        return Optional.of(new NextStep(StepKind.DECIDE, what + " in " + lane.measure().name(), proposal.reason(), lane.measure().id()));
    }

    /** A season that others were tested in, or a score so near to a cut that it settles nothing. */
    private static Optional<NextStep> screen(Lane lane) {
        SeasonStanding newest = lane.seasons().isEmpty() ? null : lane.seasons().get(lane.seasons().size() - 1);
        if (newest != null && newest.cell().closeCall()) {
            return Optional.of(new NextStep(StepKind.RETEST, "Test " + lane.measure().name() + " again", "In " + newest.window().toLowerCase(Locale.ROOT)
                    + " it was " + Words.plain(newest.cell().value() == null ? 0 : newest.cell().value()) + ", close to a cut: " + newest.cell().bandName()
                    + ".", lane.measure().id()));
        }
        return Optional.empty();
    }

    private Optional<NextStep> goal() {
        return newestTier().filter(t -> t.tier() != null && t.tier() >= 2)
                .flatMap(t -> lanes.stream().filter(l -> l.measure().area().equals(t.area())).toList().stream()
                        .allMatch(l -> l.card().goal() == null)
                                ? lanes.stream().filter(l -> l.measure().area().equals(t.area())).findFirst()
                                        .map(l -> new NextStep(StepKind.SET_GOAL, "Set a goal in " + l.measure().name(),
                                                "Tier " + t.tier() + " in " + t.area() + ", and no goal there.", l.measure().id()))
                                : Optional.empty());
    }

    private Optional<NextStep> callHome() {
        Optional<LocalDate> last = lastCall();
        boolean often = strips.away() != null && schoolDays != null && schoolDays > 0
                && strips.away().stream().filter(d -> !d.isBefore(yearStarts)).count() >= OFTEN * schoolDays;
        boolean worry = often || newestTier().filter(t -> t.tier() != null && t.tier() == 3).isPresent();
        if (!seesContacts || !worry || last.isPresent() && last.get().isAfter(asOf.minusWeeks(WEEKS_WITHOUT_CALL))) {
            return Optional.empty();
        }
        return Optional.of(new NextStep(StepKind.CALL_HOME, "Call home", (often ? "Often away" : "Tier 3") + ", and home was "
                + last.map(d -> "last reached on " + Words.shortDay(d)).orElse("not reached this year") + ".", null));
    }
}
