package org.zealousladder.server.measures;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.bands.Band;
import org.zealousladder.core.bands.BandLadder;
import org.zealousladder.server.platform.Refusal;

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

    /** By id, in their order. */
    public Map<Integer, Measure> byId() {
        Map<Integer, Measure> byId = new LinkedHashMap<>();
        store.measures().forEach(m -> byId.put(m.id(), m));
        return byId;
    }

    public Measure measure(int id) {
        Measure measure = byId().get(id);
        if (measure == null) {
            throw Refusal.notFound("There is no such measure.");
        }
        return measure;
    }

    /** The last {@code count} windows that had begun by {@code asOf}, the oldest first. */
    public List<Window> seasons(LocalDate asOf, int count) {
        List<Window> windows = new ArrayList<>(store.begun(asOf, count));
        windows.sort(Comparator.comparing(Window::starts));
        return windows;
    }

    public Ladders ladders(List<Window> windows, LocalDate asOf) {
        Map<Integer, Measure> measures = byId();
        Map<Ladders.Key, List<MeasuresStore.BandRow>> rows = new LinkedHashMap<>();
        for (MeasuresStore.BandRow row : store.bands(windows.stream().map(Window::id).toList(), asOf)) {
            rows.computeIfAbsent(new Ladders.Key(row.measureId(), row.windowId(), row.grade()), k -> new ArrayList<>()).add(row);
        }
        Map<Ladders.Key, BandLadder> ladders = new HashMap<>();
        rows.forEach((key, bands) -> ladders.put(key, BandLadder.of(
                bands.stream().map(b -> new Band(b.name(), b.tier())).toList(),
                bands.stream().skip(1).mapToDouble(MeasuresStore.BandRow::fromScore).toArray(),
                measures.get(key.measureId()).direction())));
        return new Ladders(ladders);
    }
}
