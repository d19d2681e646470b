package org.zealousladder.server.engagement.tuning;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import org.zealousladder.server.engagement.looks.Falls;
import org.zealousladder.server.engagement.looks.Look;
import org.zealousladder.server.engagement.looks.LooksService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.texts.Texts;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.StudentRef;

/** The time that counts between two actions of which no program told the minutes: one number for the district, for what was and what comes. */
@Service
class GapService {
    private static final double MOST = 60;
    private static final int MONTH = 28;

    private final GapStore store;
    private final LooksService looks;
    private final RosterService roster;
    private final SchoolCalendar calendar;
    private final TransactionTemplate transaction;

    GapService(GapStore store, LooksService looks, RosterService roster, SchoolCalendar calendar, PlatformTransactionManager transactions) {
        this.store = store;
        this.looks = looks;
        this.roster = roster;
        this.calendar = calendar;
        transaction = new TransactionTemplate(transactions);
    }

    /** @param minutes as it is; @param history the newest first */
    record GapView(double minutes, boolean mayChange, List<GapStore.PastGap> history) {}

    @Transactional(readOnly = true)
    GapView view() {
        List<GapStore.PastGap> all = store.all(calendar.zone().getId());
        return new GapView(all.get(0).minutes(), Viewer.current().role() == Viewer.Role.ADMINISTRATOR, all);
    }

    /** @param because why; only saving asks for it; @param seen what the page showed */
    record GapForm(double minutes, int year, @Nullable String because, @Nullable Double seen) {}

    /** Who would be flagged by any rule and who no longer. It is done, looked at, and undone: nothing else would tell what the rules then say. */
    RulePreview preview(GapForm form) {
        require(form);
        RulePreview preview = transaction.execute(status -> {
            status.setRollbackOnly();
            SchoolYear year = roster.year(form.year());
            LocalDate today = year.clamp(calendar.today());
            LocalDate before = year.clamp(today.minusDays(MONTH));
            Map<LocalDate, Map<StudentRef, Boolean>> is = flagged(year, today, before);
            store.set(form.minutes(), "preview");
            Map<LocalDate, Map<StudentRef, Boolean>> would = flagged(year, today, before);
            return new RulePreview(words(form.minutes()), on(today, is, would), on(before, is, would));
        });
        return java.util.Objects.requireNonNull(preview);
    }

    private static String words(double minutes) {
        return "Up to " + Words.plain(minutes) + " minutes between two actions count as time";
    }

    private static RulePreview.OnDay on(LocalDate day, Map<LocalDate, Map<StudentRef, Boolean>> all, Map<LocalDate, Map<StudentRef, Boolean>> then) {
        Map<StudentRef, Boolean> is = all.getOrDefault(day, Map.of());
        Map<StudentRef, Boolean> would = then.getOrDefault(day, Map.of());
        return new RulePreview.OnDay(day, is.size(), count(is), count(would), changed(would, is), changed(is, would));
    }

    private static int count(Map<StudentRef, Boolean> of) {
        return (int) of.values().stream().filter(f -> f).count();
    }

    private static List<StudentRef> changed(Map<StudentRef, Boolean> now, Map<StudentRef, Boolean> not) {
        return now.entrySet().stream().filter(e -> e.getValue() && !not.getOrDefault(e.getKey(), false)).map(Map.Entry::getKey)
                .sorted(java.util.Comparator.comparing(StudentRef::name)).toList();
    }

    private Map<LocalDate, Map<StudentRef, Boolean>> flagged(SchoolYear year, LocalDate... days) {
        Map<LocalDate, Map<StudentRef, Boolean>> all = new HashMap<>();
        for (LocalDate day : days) {
            List<Enrolled> everybody = roster.everybody(year.id(), day);
            Map<StudentRef, Boolean> flags = new HashMap<>();
            looks.of(everybody, year, day, Falls.none()).all().stream().filter(Look::onRecord)
                    .forEach(l -> flags.put(l.student().ref(), !l.flags().isEmpty() || !l.quieted().isEmpty()));
            all.put(day, flags);
        }
        return all;
    }

    private static void require(GapForm form) {
        Viewer.administrator("The time between actions is one for the whole district and is set by administrators. Nothing was saved.");
        if (!(form.minutes() >= 0 && form.minutes() <= MOST)) {
            throw Refusal.invalid("minutes", "Between 0 and 60 minutes.");
        }
    }

    @Transactional
    void save(GapForm form) {
        require(form);
        String because = form.because() == null ? null : Words.orNull(Texts.clean(form.because()));
        if (because == null) {
            throw Refusal.invalid("because", "Say in a few words why, so that others know.");
        }
        double now = store.all(calendar.zone().getId()).get(0).minutes();
        if (form.seen() != null && form.seen() != now) {
            throw Refusal.conflict("Somebody set it to " + Words.plain(now) + " minutes while you looked at it. Nothing was saved; look again.");
        }
        if (form.minutes() == now) {
            throw Refusal.invalid("minutes", "It is set so already.");
        }
        store.set(form.minutes(), because);
    }

    /** As it was before the newest change. */
    @Transactional
    void undo() {
        Viewer.administrator("The time between actions is one for the whole district and is set by administrators. Nothing was saved.");
        List<GapStore.PastGap> all = store.all(calendar.zone().getId());
        if (all.size() < 2) {
            throw Refusal.notFound("There is nothing to take back.");
        }
        store.set(all.get(1).minutes(), "taken back: " + all.get(0).because());
    }
}
