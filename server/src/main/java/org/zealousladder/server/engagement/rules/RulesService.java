package org.zealousladder.server.engagement.rules;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.engagement.EngagementRule;
import org.zealousladder.core.engagement.RuleSetting;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;

/** How rules are set, and setting them. Who may set them where the database says. */
@Service
@Transactional(readOnly = true)
public class RulesService {
    private final RulesStore store;
    private final SchoolCalendar calendar;

    RulesService(RulesStore store, SchoolCalendar calendar) {
        this.store = store;
        this.calendar = calendar;
    }

    public Rules on(LocalDate day) {
        return new Rules(store.counting(day));
    }

    /** Everything that was set in a place, the newest first. */
    public List<RuleRow> history(Place place) {
        return store.of(place);
    }

    /**
     * Sets a rule in a place from today on.
     *
     * @param setting null: as the wider place has it
     * @throws Refusal 422 for a threshold that cannot be, or without a reason
     */
    @Transactional
    public void set(Place place, EngagementRule rule, @Nullable RuleSetting setting, String because) {
        try {
            store.add(place, rule, setting == null ? null : rule.checked(setting), because, calendar.today());
        } catch (IllegalArgumentException e) {
            throw Refusal.invalid("threshold", requireNonNull(e.getMessage()));
        }
    }
}
