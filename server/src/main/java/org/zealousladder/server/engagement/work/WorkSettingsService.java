package org.zealousladder.server.engagement.work;

import static java.util.Objects.requireNonNull;

import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.work.MarkScale;
import org.zealousladder.core.work.WhichAttempt;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.school.roster.SetupRights;
import tools.jackson.databind.json.JsonMapper;

/** How a school counts its work: a rule for everybody's marks, so it is set by who sets up, with a reason, from today on. */
@Service
@Transactional
class WorkSettingsService {
    private final WorkStore store;
    private final WorkService work;
    private final SetupRights rights;
    private final SchoolCalendar calendar;
    private final JsonMapper json;

    WorkSettingsService(WorkStore store, WorkService work, SetupRights rights, SchoolCalendar calendar, JsonMapper json) {
        this.store = store;
        this.work = work;
        this.rights = rights;
        this.calendar = calendar;
        this.json = json;
    }

    /** How it is counted now. */
    record WorkSettingsView(WhichAttempt attempt, boolean late, boolean missingIsZero, double soft, double strong, List<MarkScale.Rung> rungs,
            boolean mayChange) {}

    @Transactional(readOnly = true)
    WorkSettingsView view(int school) {
        Setting s = work.settings(calendar.today()).getOrDefault(school, Setting.STANDARD);
        return new WorkSettingsView(s.counting().attempt(), s.counting().late(), s.counting().missingIsZero(), s.soft(), s.strong(), s.scale().rungs(),
                rights.mayChange(school));
    }

    /** @throws Refusal 403 for another school; 422 for a scale that is none */
    void set(WorkController.WorkSettingForm f) {
        rights.require(f.school(), "Marks");
        MarkScale scale;
        try {
            scale = new MarkScale(f.rungs());
        } catch (IllegalArgumentException e) {
            throw Refusal.invalid("rungs", requireNonNull(e.getMessage()));
        }
        if (!(f.soft() > 0 && f.soft() <= f.strong() && f.strong() <= 1)) {
            throw Refusal.invalid("soft", "The soft mark begins above 0 points below the class, the strong one at as many or more, up to 100.");
        }
        store.set(f.school(),
                new WorkStore.SettingRow(f.school(), f.attempt().code(), f.late(), f.missingIsZero(), f.soft(), f.strong(),
                        json.writeValueAsString(scale.rungs())),
                f.because().strip(), calendar.today());
    }
}
