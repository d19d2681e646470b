package org.zealousladder.server.measures.measures;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
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

    /** @param id null: a new window */
    public void saveWindow(@Nullable Integer id, int yearId, String name, LocalDate starts, LocalDate ends) {
        rights.require(null, "Screening windows");
        SchoolYear year = roster.year(yearId);
        if (ends.isBefore(starts)) {
            throw Refusal.invalid("ends", "The last day is before the first. Nothing was saved.");
        }
        if (starts.isBefore(year.starts()) || ends.isAfter(year.ends())) {
            throw Refusal.invalid("starts", "The school year " + year.name() + " runs from " + Words.day(year.starts()) + " to " + Words.day(year.ends())
                    + "; the window must lie within it. Nothing was saved.");
        }
        List<Window> others = measures.windows().stream().filter(w -> id == null || w.id() != id).toList();
        others.stream().filter(w -> !w.starts().isAfter(ends) && !w.ends().isBefore(starts)).findFirst().ifPresent(w -> {
            throw Refusal.invalid("starts",
                    "It would overlap " + w.name() + ", " + Words.day(w.starts()) + " to " + Words.day(w.ends()) + ". Nothing was saved.");
        });
        if (others.stream().anyMatch(w -> w.yearId() == yearId && w.name().equalsIgnoreCase(name.strip()))) {
            throw Refusal.invalid("name", "This year has a window called " + name.strip() + " already. Nothing was saved.");
        }
        if (id == null) {
            store.insertWindow(yearId, name.strip(), starts, ends);
        } else {
            measures.window(id);
            store.changeWindow(id, name.strip(), starts, ends);
        }
    }

    /** Changes how a measure's trends are decided on. */
    public void saveRule(DecisionRuleForm form) {
        rights.require(null, "Decision rules");
        measures.measure(form.measureId());
        store.changeRule(form.measureId(), form.settings());
    }

    public void saveMeasure(int id, String name, String area, String unit, double lowest, double highest, int decimals, @Nullable Double sem) {
        rights.require(null, "Measures");
        measures.measure(id);
        if (!(highest > lowest)) {
            throw Refusal.invalid("highest", "The highest score must be above the lowest. Nothing was saved.");
        }
        if (sem != null && !(sem > 0 && sem <= highest - lowest)) {
            throw Refusal.invalid("sem", "A standard error of measurement is above 0 and within the range; leave it empty when the measure states none.");
        }
        if (decimals < 0 || decimals > 3) {
            throw Refusal.invalid("decimals", "Decimals are 0, 1, 2 or 3.");
        }
        try {
            store.changeMeasure(id, name.strip(), area.strip(), unit.strip(), lowest, highest, decimals, sem);
        } catch (DataIntegrityViolationException e) {
            throw Refusal.invalid("name", "These properties do not fit together. Nothing was saved.");
        }
    }
}
