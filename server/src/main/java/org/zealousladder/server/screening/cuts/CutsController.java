package org.zealousladder.server.screening.cuts;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.measures.ladders.DrawnLadder.DrawnBand;
import org.zealousladder.server.measures.ladders.SetKind;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Who;

/** Cut scores. */
@RestController
class CutsController {
    private final CutsService cuts;
    private final RosterService roster;

    CutsController(CutsService cuts, RosterService roster) {
        this.cuts = cuts;
        this.roster = roster;
    }

    record PreviewForm(int set, int measure, int grade, int window, int school, @NotNull List<DrawnBand> bands) {}

    record SetForm(@NotBlank @Size(max = 80) String name, @NotNull(message = "say where it comes from") SetKind kind, int school, int copyOf) {}

    record NewSet(int id) {}

    /** @param who whose school's choice of set is looked at */
    @GetMapping("/api/cuts")
    CutsView cuts(@RequestParam String who, @RequestParam int measure, @RequestParam int year, @RequestParam(required = false) @Nullable Integer set,
            @RequestParam LocalDate asOf) {
        return cuts.view(measure, year, roster.school(Who.parse(who)), set, asOf);
    }

    @PostMapping("/api/cuts/preview")
    CutsPreview preview(@Valid @RequestBody PreviewForm form) {
        return cuts.preview(form.set(), form.measure(), form.grade(), form.window(), form.school(), form.bands());
    }

    @PostMapping("/api/cuts/sets")
    NewSet create(@Valid @RequestBody SetForm form) {
        return new NewSet(cuts.create(form.name(), form.kind(), form.school(), form.copyOf()));
    }
}
