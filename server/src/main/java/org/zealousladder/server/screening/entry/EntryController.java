package org.zealousladder.server.screening.entry;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.school.roster.Who;

/** The entry grid. */
@RestController
class EntryController {
    private final EntryService entry;

    EntryController(EntryService entry) {
        this.entry = entry;
    }

    /**
     * One cell as typed.
     *
     * @param status scored, absent, exempt, invalid, or withdrawn for an emptied cell
     * @param seen the record that stood there; absent for an empty cell
     */
    record CellForm(int studentId, int measureId, int windowId, @NotNull(message = "give the date") LocalDate takenOn, @Nullable Double value,
            @NotBlank String status, @Nullable Long seen, boolean sure) {}

    @GetMapping("/api/entry")
    EntryView grid(@RequestParam String who, @RequestParam int year, @RequestParam(required = false) @Nullable Integer window, @RequestParam LocalDate asOf) {
        return entry.view(Who.parse(who), year, window, asOf);
    }

    @PostMapping("/api/entry")
    EntryView.Entry save(@Valid @RequestBody CellForm form) {
        return entry.save(form.studentId(), form.measureId(), form.windowId(), form.takenOn(), form.value(), form.status(), form.seen(), form.sure());
    }
}
