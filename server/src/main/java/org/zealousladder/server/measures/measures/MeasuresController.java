package org.zealousladder.server.measures.measures;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Measures and screening windows. */
@RestController
class MeasuresController {
    private final MeasuresService measures;
    private final SetupService setup;
    private final SetupRights rights;

    MeasuresController(MeasuresService measures, SetupService setup, SetupRights rights) {
        this.measures = measures;
        this.setup = setup;
        this.rights = rights;
    }

    /** @param mayChange whether the viewer may change measures and windows */
    record SetupView(List<Measure> measures, List<Window> windows, boolean mayChange) {}

    /** @param id absent: a new window */
    record WindowForm(@Nullable Integer id, int yearId, @NotBlank(message = "give it a name") String name,
            @NotNull(message = "give the first day") LocalDate starts,
            @NotNull(message = "give the last day") LocalDate ends) {}

    record MeasureForm(int id, @NotBlank(message = "give it a name") String name, @NotBlank String area, @NotBlank String unit, double lowest, double highest,
            int decimals, @Nullable Double sem) {}

    @GetMapping("/api/measures")
    SetupView all() {
        return new SetupView(measures.measures(), measures.windows(), rights.mayChange(null));
    }

    @PostMapping("/api/measures/windows")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void window(@Valid @RequestBody WindowForm form) {
        setup.saveWindow(form.id(), form.yearId(), form.name(), form.starts(), form.ends());
    }

    @PostMapping("/api/measures/rule")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void rule(@Valid @RequestBody DecisionRuleForm form) {
        setup.saveRule(form);
    }

    @PostMapping("/api/measures")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void measure(@Valid @RequestBody MeasureForm form) {
        setup.saveMeasure(form.id(), form.name(), form.area(), form.unit(), form.lowest(), form.highest(), form.decimals(), form.sem());
    }
}
