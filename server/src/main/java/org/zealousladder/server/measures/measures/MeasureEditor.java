package org.zealousladder.server.measures.measures;

import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.texts.Slug;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.SetupRights;

/** Changes the properties of measures, and how their trends are decided on. */
@Service
@Transactional
public class MeasureEditor {
    private static final String BAD_SEM = "A standard error of measurement is above 0 and within the range; leave it empty when the measure states none.";

    private final MeasuresStore store;
    private final MeasuresService measures;
    private final SetupRights rights;
    private final List<RangeUse> uses;

    MeasureEditor(MeasuresStore store, MeasuresService measures, SetupRights rights, List<RangeUse> uses) {
        this.store = store;
        this.measures = measures;
        this.rights = rights;
        this.uses = uses;
    }

    public void save(MeasureForm sent) {
        rights.require(null, "Measures");
        MeasureForm form = sent.stripped();
        measures.measure(form.id());
        if (!(form.highest() > form.lowest())) {
            throw Refusal.invalid("highest", "The highest score must be above the lowest. Nothing was saved.");
        }
        if (form.sem() != null && !(form.sem() > 0 && form.sem() <= form.highest() - form.lowest())) {
            throw Refusal.invalid("sem", BAD_SEM);
        }
        if (form.decimals() < 0 || form.decimals() > 3) {
            throw Refusal.invalid("decimals", "Decimals are 0, 1, 2 or 3.");
        }
        uses.forEach(use -> use.outside(form.id(), form.lowest(), form.highest()).ifPresent(cut -> {
            throw Refusal.invalid(cut.score() > form.highest() ? "highest" : "lowest", "A cut score stands at " + Words.plain(cut.score()) + " ("
                    + cut.place() + "). Move it within the new range first; nothing was saved.");
        }));
        try {
            store.changeMeasure(form);
        } catch (DataIntegrityViolationException e) {
            throw Refusal.invalid("name", "These properties do not fit together. Nothing was saved.");
        }
    }

    /** @param last the last day on which it is given; null: it goes on */
    public void end(int id, @Nullable LocalDate last) {
        rights.require(null, "Measures");
        measures.measure(id);
        store.end(id, last);
    }

    /** Measures to begin with that are not there yet. */
    @Transactional(readOnly = true)
    public List<NewMeasure> kit() {
        List<String> there = measures.measures().stream().map(Measure::code).toList();
        return MeasureKit.all().stream().filter(m -> !there.contains(m.code())).toList();
    }

    /** @return their ids */
    public List<Integer> add(List<NewMeasure> all) {
        rights.require(null, "Measures");
        return all.stream().map(m -> {
            int whole = add(m, null);
            m.subScores().forEach(part -> add(part, whole));
            return whole;
        }).toList();
    }

    /** A sub-score of a measure: a part of its sum, or one that stands by itself. It is of the measure's kind and area. */
    public int addPart(int whole, NewMeasure part) {
        rights.require(null, "Measures");
        requireWhole(whole);
        return add(part, whole);
    }

    private Measure requireWhole(int id) {
        Measure whole = measures.measure(id);
        if (!whole.whole()) {
            throw Refusal.invalid("name", "A sub-score has no sub-scores of its own.");
        }
        return whole;
    }

    /** Whether the score of a measure is the sum of its parts from now on. */
    public void addUp(int id, boolean addsUp) {
        rights.require(null, "Measures");
        Measure whole = requireWhole(id);
        if (whole.addsUp() != addsUp && store.partsScored(id)) {
            throw Refusal.conflict("Sub-scores are on record already, and what they are to " + whole.name() + " cannot change any more. Nothing was saved.");
        }
        store.addUp(id, addsUp);
    }

    private int add(NewMeasure m, @Nullable Integer wholeId) {
        if (!(m.highest() > m.lowest())) {
            throw Refusal.invalid("highest", "The highest score must be above the lowest. Nothing was saved.");
        }
        if (m.sem() != null && !(m.sem() > 0 && m.sem() <= m.highest() - m.lowest())) {
            throw Refusal.invalid("sem", BAD_SEM);
        }
        List<Measure> there = measures.measures();
        String name = m.name().strip();
        if (there.stream().anyMatch(o -> o.ownName().equalsIgnoreCase(name) && Objects.equals(o.partOf(), wholeId))) {
            throw Refusal.invalid("name", "There is a measure called " + name + " already. Nothing was saved.");
        }
        List<String> codes = there.stream().map(Measure::code).toList();
        String whole = wholeId == null ? "" : there.stream().filter(o -> o.id() == wholeId).map(o -> o.code() + " ").findFirst().orElse("");
        return store.addMeasure(m, Slug.unused(m.code() == null || m.code().isBlank() ? whole + name : m.code(), codes), name, wholeId);
    }

    /** Changes how a measure's trends are decided on. */
    public void decideBy(DecisionRuleForm form) {
        rights.require(null, "Decision rules");
        measures.measure(form.measureId());
        store.changeRule(form.measureId(), form.settings());
    }
}
