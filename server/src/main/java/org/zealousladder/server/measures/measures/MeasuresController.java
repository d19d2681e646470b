package org.zealousladder.server.measures.measures;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
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
    private final MeasureEditor editor;

    MeasuresController(MeasuresService measures, WindowsService windows, SetupRights rights, MeasureEditor editor) {
        this.editor = editor;
        this.measures = measures;
        this.windows = windows;
        this.rights = rights;
    }

    /** @param mayChange whether the viewer may change measures and windows */
    record SetupView(List<Measure> measures, List<Window> windows, boolean mayChange) {}

    record NewMeasures(@NotNull @NotEmpty @Size(max = 50) List<@Valid NewMeasure> measures) {}

    @PostMapping("/api/measures")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void add(@Valid @RequestBody NewMeasures form) {
        editor.add(form.measures());
    }

    record PartMade(int id) {}

    record AddsUp(boolean addsUp) {}

    /** A sub-score of a measure. */
    @PostMapping("/api/measures/{id}/parts")
    PartMade addPart(@PathVariable int id, @Valid @RequestBody NewMeasure form) {
        return new PartMade(editor.addPart(id, form));
    }

    @PutMapping("/api/measures/{id}/adds-up")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void addUp(@PathVariable int id, @Valid @RequestBody AddsUp form) {
        editor.addUp(id, form.addsUp());
    }

    /** @param ends absent: it goes on */
    record MeasureEnds(@Nullable LocalDate ends) {}

    @PutMapping("/api/measures/{id}/ends")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable int id, @Valid @RequestBody MeasureEnds form) {
        editor.end(id, form.ends());
    }

    @GetMapping("/api/measures")
    SetupView all() {
        return new SetupView(measures.measures(), windows.windows(), rights.mayChange(null));
    }
}
