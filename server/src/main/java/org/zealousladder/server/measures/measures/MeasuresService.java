package org.zealousladder.server.measures.measures;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.bands.Band;
import org.zealousladder.core.bands.BandLadder;
import org.zealousladder.server.platform.problems.Refusal;

/** Measures, windows and ladders, as known on a day. */
@Service
@Transactional(readOnly = true)
public class MeasuresService {
    private final MeasuresStore store;

    MeasuresService(MeasuresStore store) {
        this.store = store;
    }

    public List<Measure> measures() {
        return store.measures();
    }

    /** With the properties they had on a day. */
    public List<Measure> measures(LocalDate asOf) {
        return store.measures(asOf);
    }

    /** By id, in their order, with the properties they had on a day. */
    public Map<Integer, Measure> byId(LocalDate asOf) {
        return byId(store.measures(asOf));
    }

    public Measure measure(int id, LocalDate asOf) {
        return required(byId(asOf).get(id));
    }

    /** By id, in their order. */
    public Map<Integer, Measure> byId() {
        return byId(store.measures());
    }

    private static Map<Integer, Measure> byId(List<Measure> measures) {
        Map<Integer, Measure> byId = new LinkedHashMap<>();
        measures.forEach(m -> byId.put(m.id(), m));
        return byId;
    }

    public Measure measure(int id) {
        return required(byId().get(id));
    }

    /** @throws Refusal 404 when there is none */
    public static Measure required(@Nullable Measure measure) {
        if (measure == null) {
            throw Refusal.notFound("There is no such measure.");
        }
        return measure;
    }

    /** The last {@code count} windows that had begun by {@code asOf}, the oldest first. */
    public List<Window> seasons(LocalDate asOf, int count) {
        List<Window> begun = store.windows(asOf).stream().filter(w -> !w.starts().isAfter(asOf)).toList();
        return begun.subList(Math.max(0, begun.size() - count), begun.size());
    }

    /** All windows of all years, the earliest first. */
    public List<Window> windows() {
        return store.windows();
    }

    /** All windows of all years with the dates they had on a day, the earliest first. */
    public List<Window> windows(LocalDate asOf) {
        return store.windows(asOf);
    }

    public Window window(int id) {
        return required(store.windows(), id);
    }

    public Window window(int id, LocalDate asOf) {
        return required(store.windows(asOf), id);
    }

    private static Window required(List<Window> windows, int id) {
        return windows.stream().filter(w -> w.id() == id).findFirst().orElseThrow(() -> Refusal.notFound("There is no such screening window."));
    }

    public List<CutSet> sets() {
        return store.sets();
    }

    public CutSet set(int id) {
        return store.sets().stream().filter(s -> s.id() == id).findFirst().orElseThrow(() -> Refusal.notFound("There is no such set of cut scores."));
    }

    /** The set by which a school's scores were read on a day. */
    public int defaultSet(@Nullable Integer schoolId, LocalDate asOf) {
        return store.defaultSet(schoolId, asOf);
    }

    /** The ladders of a set as known on a day. */
    public Ladders ladders(List<Window> windows, LocalDate asOf, int setId) {
        Map<Integer, Measure> measures = byId(asOf);
        Map<Ladders.Key, List<MeasuresStore.BandRow>> rows = new LinkedHashMap<>();
        for (MeasuresStore.BandRow row : store.bands(windows.stream().map(Window::id).toList(), asOf, setId)) {
            rows.computeIfAbsent(new Ladders.Key(row.measureId(), row.windowId(), row.grade()), k -> new ArrayList<>()).add(row);
        }
        Map<Ladders.Key, BandLadder> ladders = new HashMap<>();
        rows.forEach((key, bands) -> ladders.put(key, BandLadder.of(
                bands.stream().map(b -> new Band(b.name(), b.tier())).toList(),
                bands.stream().skip(1).mapToDouble(MeasuresStore.BandRow::fromScore).toArray(),
                requireNonNull(measures.get(key.measureId())).direction())));
        return new Ladders(ladders);
    }

    /** The ladders of some sets on one measure, grade by grade. */
    public List<DrawnLadder> drawn(List<Integer> sets, int measureId, List<Integer> windows, LocalDate asOf) {
        Map<Integer, List<MeasuresStore.LadderBand>> byLadder = new LinkedHashMap<>();
        store.drawn(sets, measureId, windows, asOf).forEach(b -> byLadder.computeIfAbsent(b.id(), k -> new ArrayList<>()).add(b));
        return byLadder.values().stream().map(bands -> {
            MeasuresStore.LadderBand first = bands.get(0);
            return new DrawnLadder(first.id(), first.setId(), first.measureId(), first.grade(), first.windowId(), first.knownFrom(), first.recordedBy(),
                    first.reason(),
                    bands.stream().map(b -> new DrawnLadder.DrawnBand(b.name(), b.tier(), b.fromScore())).toList());
        }).toList();
    }
}
