package org.zealousladder.server.screening.tiers;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.tiers.TierRule;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.SetupRights;
import org.zealousladder.server.screening.tiers.TiersView.RuleInUse;
import org.zealousladder.server.screening.tiers.TiersView.Weighed;

/** How a school combines measures of an area into a tier. */
@Service
public class TierRules {
    private final TiersStore store;
    private final MeasuresService measures;
    private final SetupRights rights;
    private final SchoolCalendar calendar;

    TierRules(TiersStore store, MeasuresService measures, SetupRights rights, SchoolCalendar calendar) {
        this.store = store;
        this.measures = measures;
        this.rights = rights;
        this.calendar = calendar;
    }

    /** The school's rule, or the one to begin with: the tier that most measures of the area give, all weighing the same. */
    @Transactional(readOnly = true)
    public RuleInUse inUse(int school, String area, List<Measure> ofArea, LocalDate asOf) {
        return store.rule(school, area, asOf).map(r -> new RuleInUse(r.rule(), store.ruleMeasures(r.id()), true))
                .orElseGet(() -> new RuleInUse(TierRule.MOST, ofArea.stream().map(m -> new Weighed(m.id(), 1)).toList(), false));
    }

    /** The rule as it stands today, in the form in which it would be sent. */
    @Transactional(readOnly = true)
    public TierRuleForm now(int school, String area) {
        List<Measure> ofArea = measures.measures().stream().filter(m -> m.whole() && m.area().equals(area)).toList();
        RuleInUse rule = inUse(school, area, ofArea, calendar.today());
        return new TierRuleForm(school, area, rule.rule(), sorted(rule.measures()));
    }

    /** Says how the school combines measures of an area from today on. */
    @Transactional
    public void choose(TierRuleForm form) {
        rights.require(form.school(), "Rules");
        Map<Integer, Measure> known = measures.byId();
        List<Weighed> weighed = form.measures();
        if (weighed.isEmpty() || weighed.stream().anyMatch(w -> known.get(w.measureId()) == null || !known.get(w.measureId()).area().equals(form.area()))) {
            throw Refusal.invalid("measures", "Choose at least one measure of " + form.area() + ".");
        }
        if (weighed.stream().anyMatch(w -> !(w.weight() > 0 && w.weight() <= 100))
                || weighed.stream().map(Weighed::measureId).distinct().count() < weighed.size()) {
            throw Refusal.invalid("measures", "A weight is a number above 0 and at most 100, one a measure.");
        }
        store.chooseRule(form.school(), form.area(), form.rule(), weighed, calendar.today(), Viewer.current().id());
    }

    static List<Weighed> sorted(List<Weighed> weighed) {
        return weighed.stream().sorted(Comparator.comparing(Weighed::measureId)).toList();
    }
}
