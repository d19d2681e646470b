package org.zealousladder.server.measures.measures;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.school.roster.SetupRights;

/** Measures and screening windows. */
@RestController
class MeasuresController {
    private final MeasuresService measures;
    private final WindowsService windows;
    private final SetupRights rights;

    MeasuresController(MeasuresService measures, WindowsService windows, SetupRights rights) {
        this.measures = measures;
        this.windows = windows;
        this.rights = rights;
    }

    /** @param mayChange whether the viewer may change measures and windows */
    record SetupView(List<Measure> measures, List<Window> windows, boolean mayChange) {}

    @GetMapping("/api/measures")
    SetupView all() {
        return new SetupView(measures.measures(), windows.windows(), rights.mayChange(null));
    }
}
