package org.zealousladder.server.overview.start;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.measures.measures.MeasureEditor;
import org.zealousladder.server.measures.windows.WindowEditor;
import org.zealousladder.server.measures.windows.WindowForm;
import org.zealousladder.server.overview.start.StartView.ProposedWindow;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolEditor;
import org.zealousladder.server.school.roster.SchoolYear;

@Service
class StartService {
    /** Where in a year its windows usually lie, as shares of its length, and how long they last in days. */
    private static final double[] WHEN = {0.06, 0.46, 0.83};
    private static final List<String> NAMES = List.of("Autumn", "Winter", "Spring");
    private static final int LASTS = 11;

    private final StartStore store;
    private final RosterService roster;
    private final SchoolEditor schools;
    private final MeasureEditor measures;
    private final WindowEditor windows;
    private final SchoolCalendar calendar;

    StartService(StartStore store, RosterService roster, SchoolEditor schools, MeasureEditor measures, WindowEditor windows, SchoolCalendar calendar) {
        this.store = store;
        this.roster = roster;
        this.schools = schools;
        this.measures = measures;
        this.windows = windows;
        this.calendar = calendar;
    }

    @Transactional(readOnly = true)
    StartView view() {
        Viewer.administrator("The school is set up by administrators.");
        LocalDate today = calendar.today();
        SchoolYear year = running(today);
        Integer id = year == null ? null : year.id();
        StartView.Counts counts = store.counts(id);
        return new StartView(today, schools.schools(), year, year == null || counts.windows() > 0 ? List.of() : proposed(year), counts, store.withoutCuts(id),
                measures.kit());
    }

    private @Nullable SchoolYear running(LocalDate today) {
        // The newest is first.
        SchoolYear next = null;
        for (SchoolYear y : roster.years()) {
            if (!y.ends().isBefore(today)) {
                next = y;
            }
        }
        return next;
    }

    /** Two school weeks each, from a Monday to the Friday after next, within the year. */
    static List<ProposedWindow> proposed(SchoolYear year) {
        long days = ChronoUnit.DAYS.between(year.starts(), year.ends());
        List<ProposedWindow> all = new ArrayList<>();
        for (int i = 0; i < WHEN.length; i++) {
            LocalDate monday = year.starts().plusDays(Math.round(WHEN[i] * days)).with(TemporalAdjusters.nextOrSame(DayOfWeek.MONDAY));
            LocalDate friday = monday.plusDays(LASTS);
            LocalDate last = friday.isAfter(year.ends()) ? year.ends() : friday;
            if (!monday.isAfter(last) && (all.isEmpty() || all.get(all.size() - 1).ends().isBefore(monday))) {
                all.add(new ProposedWindow(NAMES.get(i), monday, last));
            }
        }
        return all;
    }

    /** The first windows of a year that has none: nobody's standing rests on them yet. Later ones are shown with who would move. */
    @Transactional
    void addWindows(List<WindowForm> forms) {
        Viewer.administrator("The school is set up by administrators. Nothing was saved.");
        for (WindowForm form : forms) {
            if (form.id() != null) {
                throw Refusal.invalid("windows", "These are new windows; those that are there are changed under Windows.");
            }
        }
        int year = forms.get(0).yearId();
        if (forms.stream().anyMatch(f -> f.yearId() != year) || store.counts(year).windows() > 0) {
            throw Refusal.conflict("The year has screening windows already. Add one more under Windows, where you see who would move. Nothing was saved.");
        }
        forms.forEach(windows::save);
    }
}
