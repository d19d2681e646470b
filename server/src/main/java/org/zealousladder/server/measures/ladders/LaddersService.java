package org.zealousladder.server.measures.ladders;

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
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.platform.problems.Refusal;

/** Sets of cut scores and their ladders, as known on a day. */
@Service
@Transactional(readOnly = true)
public class LaddersService {
    private final LaddersStore store;
    private final MeasuresService measures;

    LaddersService(LaddersStore store, MeasuresService measures) {
        this.store = store;
        this.measures = measures;
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
        Map<Integer, Measure> known = measures.byId(asOf);
        Map<Ladders.Key, List<LaddersStore.BandRow>> rows = new LinkedHashMap<>();
        for (LaddersStore.BandRow row : store.bands(windows.stream().map(Window::id).toList(), asOf, setId)) {
            rows.computeIfAbsent(new Ladders.Key(row.measureId(), row.windowId(), row.grade()), k -> new ArrayList<>()).add(row);
        }
        Map<Ladders.Key, BandLadder> ladders = new HashMap<>();
        rows.forEach((key, bands) -> ladders.put(key, BandLadder.of(
                bands.stream().map(b -> new Band(b.name(), b.tier())).toList(),
                bands.stream().skip(1).mapToDouble(LaddersStore.BandRow::fromScore).toArray(),
                requireNonNull(known.get(key.measureId())).direction())));
        return new Ladders(ladders);
    }

    /** The ladders of some sets on one measure, grade by grade. */
    public List<DrawnLadder> drawn(List<Integer> sets, int measureId, List<Integer> windows, LocalDate asOf) {
        Map<Integer, List<LaddersStore.LadderBand>> byLadder = new LinkedHashMap<>();
        store.drawn(sets, measureId, windows, asOf).forEach(b -> byLadder.computeIfAbsent(b.id(), k -> new ArrayList<>()).add(b));
        return byLadder.values().stream().map(bands -> {
            LaddersStore.LadderBand first = bands.get(0);
            return new DrawnLadder(first.id(), first.setId(), first.measureId(), first.grade(), first.windowId(), first.knownFrom(), first.recordedBy(),
                    first.reason(),
                    bands.stream().map(b -> new DrawnLadder.DrawnBand(b.name(), b.tier(), b.fromScore())).toList());
        }).toList();
    }
}
