package org.zealousladder.server.measures.measures;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;

/** Measures, with the properties they had as was known on a day. */
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
}
