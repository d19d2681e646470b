package org.zealousladder.server.measures.measures;

import java.util.List;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;

/** Changes screening windows and the properties of measures. */
@Service
@Transactional
public class SetupService {
    private final MeasuresStore store;
    private final MeasuresService measures;
    private final RosterService roster;
    private final SetupRights rights;

    SetupService(MeasuresStore store, MeasuresService measures, RosterService roster, SetupRights rights) {
        this.store = store;
        this.measures = measures;
        this.roster = roster;
        this.rights = rights;
    }

    /** @return the window as it is now */
    public Window saveWindow(WindowForm form) {
        rights.require(null, "Screening windows");
        SchoolYear year = roster.year(form.yearId());
        if (form.ends().isBefore(form.starts())) {
            throw Refusal.invalid("ends", "The last day is before the first. Nothing was saved.");
        }
        if (form.starts().isBefore(year.starts()) || form.ends().isAfter(year.ends())) {
            throw Refusal.invalid("starts", "The school year " + year.name() + " runs from " + Words.day(year.starts()) + " to " + Words.day(year.ends())
                    + "; the window must lie within it. Nothing was saved.");
        }
        List<Window> others = measures.windows().stream().filter(w -> form.id() == null || w.id() != form.id()).toList();
        others.stream().filter(w -> !w.starts().isAfter(form.ends()) && !w.ends().isBefore(form.starts())).findFirst().ifPresent(w -> {
            throw Refusal.invalid("starts",
                    "It would overlap " + w.name() + ", " + Words.day(w.starts()) + " to " + Words.day(w.ends()) + ". Nothing was saved.");
        });
        String name = form.name().strip();
        if (others.stream().anyMatch(w -> w.yearId() == form.yearId() && w.name().equalsIgnoreCase(name))) {
            throw Refusal.invalid("name", "This year has a window called " + name + " already. Nothing was saved.");
        }
        if (form.id() == null) {
            return measures.window(store.insertWindow(form.yearId(), name, form.starts(), form.ends()));
        }
        measures.window(form.id());
        store.changeWindow(form.id(), name, form.starts(), form.ends());
        return measures.window(form.id());
    }

    /** Takes away a window on which nothing hangs. */
    public void removeWindow(int id) {
        rights.require(null, "Screening windows");
        Window window = measures.window(id);
        long ladders = store.laddersOf(id);
        if (ladders > 0) {
            throw Refusal.conflict("Cut scores are set for " + window.name() + " (" + ladders + (ladders == 1 ? " ladder" : " ladders")
                    + "), so it cannot be deleted. Its name and days can be changed.");
        }
        try {
            store.deleteWindow(id);
        } catch (DataIntegrityViolationException e) {
            throw Refusal.conflict("Scores, tiers, make-ups or closings were recorded for " + window.name()
                    + ", so it cannot be deleted. Its name and days can be changed.");
        }
    }

    /** Changes how a measure's trends are decided on. */
    public void saveRule(DecisionRuleForm form) {
        rights.require(null, "Decision rules");
        measures.measure(form.measureId());
        store.changeRule(form.measureId(), form.settings());
    }

    public void saveMeasure(MeasureForm sent) {
        rights.require(null, "Measures");
        MeasureForm form = sent.stripped();
        measures.measure(form.id());
        if (!(form.highest() > form.lowest())) {
            throw Refusal.invalid("highest", "The highest score must be above the lowest. Nothing was saved.");
        }
        if (form.sem() != null && !(form.sem() > 0 && form.sem() <= form.highest() - form.lowest())) {
            throw Refusal.invalid("sem", "A standard error of measurement is above 0 and within the range; leave it empty when the measure states none.");
        }
        if (form.decimals() < 0 || form.decimals() > 3) {
            throw Refusal.invalid("decimals", "Decimals are 0, 1, 2 or 3.");
        }
        store.cutOutside(form.id(), form.lowest(), form.highest()).ifPresent(cut -> {
            throw Refusal.invalid(cut.fromScore() > form.highest() ? "highest" : "lowest", "A cut score stands at " + Words.plain(cut.fromScore()) + " ("
                    + cut.name() + ", grade " + cut.grade() + ", " + cut.window() + "). Move it within the new range first; nothing was saved.");
        });
        try {
            store.changeMeasure(form);
        } catch (DataIntegrityViolationException e) {
            throw Refusal.invalid("name", "These properties do not fit together. Nothing was saved.");
        }
    }
}
