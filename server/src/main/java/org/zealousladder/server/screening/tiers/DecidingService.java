package org.zealousladder.server.screening.tiers;

import static java.util.Objects.requireNonNull;

import jakarta.validation.constraints.NotNull;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SetupRights;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.screening.tiers.TiersView.ProposedTier;
import org.zealousladder.server.screening.tiers.TiersView.TierRow;

/** Keeps what the team decides, and what teachers think. */
@Service
public class DecidingService {
    private final TiersStore store;
    private final TiersService tiers;
    private final ClosingService closing;
    private final MeasuresService measures;
    private final WindowsService allWindows;
    private final RosterService roster;
    private final SetupRights rights;
    private final SchoolCalendar calendar;

    DecidingService(TiersStore store, TiersService tiers, ClosingService closing, MeasuresService measures, WindowsService allWindows, RosterService roster,
            SetupRights rights,
            SchoolCalendar calendar) {
        this.store = store;
        this.tiers = tiers;
        this.closing = closing;
        this.measures = measures;
        this.allWindows = allWindows;
        this.roster = roster;
        this.rights = rights;
        this.calendar = calendar;
    }

    /**
     * One decision of the team.
     *
     * @param outcome confirmed, overridden, retest, or withdrawn to take back what was decided
     * @param tier for an override
     * @param proposed the proposal that the team saw; null when there was none
     * @param seen the decision that this one replaces
     */
    public record TierDecision(int studentId, @NotNull(message = "say what is decided") TierOutcome outcome, @Nullable Integer tier, @Nullable Integer proposed,
            @Nullable String reason,
            @Nullable Long seen) {}

    /** Keeps decisions, all or none. */
    @Transactional
    public int decide(Who who, int yearId, int windowId, String area, List<TierDecision> decisions) {
        if (!rights.mayChange(roster.school(who))) {
            throw Refusal.forbidden("Tiers are confirmed by coordinators. You can give your view of a student; nothing was saved.");
        }
        if (decisions.isEmpty()) {
            throw Refusal.invalid("decisions", "Choose at least one student.");
        }
        TiersView view = tiers.view(who, yearId, windowId, area, calendar.today());
        Map<Integer, TierRow> rows = view.rows().stream().collect(Collectors.toMap(r -> r.student().id(), r -> r));
        Set<Integer> classes = new HashSet<>();
        decisions.stream().map(d -> rows.get(d.studentId())).filter(r -> r != null).forEach(r -> classes.add(r.student().classId()));
        closing.requireOpen(allWindows.window(windowId), view.school(), classes, area);
        List<TiersStore.NewTier> wanted = decisions.stream().map(d -> newTier(d, rows.get(d.studentId()), view.tiers())).toList();
        int written = store.decide(wanted, windowId, view.area(), calendar.today(), Viewer.current().id());
        if (written < wanted.size()) {
            throw Refusal.conflict("Somebody else has decided for one of these students meanwhile. Nothing of yours was saved; look again.");
        }
        return written;
    }

    private static TiersStore.NewTier newTier(TierDecision d, @Nullable TierRow row, List<Integer> tiers) {
        if (row == null) {
            throw Refusal.forbidden("One of the students is not in this list. Nothing was saved.");
        }
        ProposedTier p = row.proposal();
        String reason = Words.orNull(d.reason());
        Integer tier = switch (d.outcome()) {
            case CONFIRMED -> confirmed(d, row, p);
            case OVERRIDDEN -> overridden(d, reason, tiers);
            case RETEST -> null;
            case WITHDRAWN -> takenBack(row, d);
            default -> throw Refusal.invalid("outcome", "Confirm the tier, give another, ask for a retest, or take back what was decided.");
        };
        return new TiersStore.NewTier(d.studentId(), d.outcome(), tier, p == null ? null : (Integer) p.tier(), p == null ? null : p.certainty(),
                p == null ? "Not tested." : p.reason(), reason, d.seen());
    }

    private static Integer confirmed(TierDecision d, TierRow row, @Nullable ProposedTier p) {
        if (p == null) {
            throw Refusal.invalid("decisions",
                    row.student().name() + " has no score, so there is no tier to confirm. Give a tier with a reason, or ask for a retest.");
        }
        if (d.proposed() == null || d.proposed() != p.tier()) {
            throw Refusal.conflict(
                    "The proposal for " + row.student().name() + " has changed meanwhile, to tier " + p.tier() + ". Nothing was saved; look again.");
        }
        return p.tier();
    }

    private static @Nullable Integer takenBack(TierRow row, TierDecision d) {
        if (d.seen() == null || row.decided() == null) {
            throw Refusal.conflict("Nothing is decided for " + row.student().name() + ", so there is nothing to take back.");
        }
        return null;
    }

    private static Integer overridden(TierDecision d, @Nullable String reason, List<Integer> tiers) {
        if (reason == null) {
            throw Refusal.invalid("reason", "Say why the tier is another than proposed; it stays on record.");
        }
        if (d.tier() == null || !tiers.contains(d.tier())) {
            throw Refusal.invalid("tier", "Choose one of the tiers " + Words.list(tiers.stream().map(String::valueOf).toList()) + ".");
        }
        return requireNonNull(d.tier());
    }

    /** A teacher's view of a student, as it is sent. */
    public record OpinionForm(int studentId, int window, @jakarta.validation.constraints.NotBlank String area, int tier,
            @Nullable @jakarta.validation.constraints.Size(max = 500) String note, @Nullable Long seen) {}

    @Transactional
    public void opine(OpinionForm form) {
        roster.requireStudent(form.studentId());
        Window window = allWindows.window(form.window());
        closing.requireOpen(window, form.studentId(), form.area());
        if (form.tier() < 1 || form.tier() > 5 || measures.measures().stream().noneMatch(m -> m.area().equals(form.area()))) {
            throw Refusal.invalid("tier", "Choose a tier from 1 to 5 in one of the areas.");
        }
        if (!store.opine(form, Words.orNull(form.note()), calendar.today(), Viewer.current().id())) {
            throw Refusal.conflict("Somebody else has given a view of this student meanwhile. Yours was not saved; look again.");
        }
    }
}
