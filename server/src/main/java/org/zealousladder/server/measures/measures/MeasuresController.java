package org.zealousladder.server.measures.measures;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Measures and screening windows. */
@RestController
class MeasuresController {
    private final MeasuresService measures;
    private final SetupRights rights;

    MeasuresController(MeasuresService measures, SetupRights rights) {
        this.measures = measures;
        this.rights = rights;
    }

    /** @param mayChange whether the viewer may change measures and windows */
    record SetupView(List<Measure> measures, List<Window> windows, boolean mayChange) {}

    @GetMapping("/api/measures")
    SetupView all() {
        return new SetupView(measures.measures(), measures.windows(), rights.mayChange(null));
    }
}
