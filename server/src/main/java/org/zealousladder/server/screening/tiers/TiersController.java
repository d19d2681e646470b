package org.zealousladder.server.screening.tiers;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.school.roster.Who;

/** Tiers and the closing of windows. */
@RestController
class TiersController {
    private final TiersService tiers;
    private final ClosingService closing;

    TiersController(TiersService tiers, ClosingService closing) {
        this.tiers = tiers;
        this.closing = closing;
    }

    record TiersForm(@NotBlank String who, int year, int window, @NotBlank String area, @NotNull List<TiersService.TierDecision> decisions) {}

    record OpinionForm(int studentId, int window, @NotBlank String area, int tier, @Nullable @Size(max = 500) String note, @Nullable Long seen) {}

    record RuleForm(int school, @NotBlank String area, @NotBlank String rule, @NotNull List<TiersView.Weighed> measures) {}

    /** @param reason needed to open a window again */
    record ClosingForm(int window, int school, boolean close, @Nullable @Size(max = 500) String reason) {}

    record Written(int count) {}

    @GetMapping("/api/tiers")
    TiersView tiers(@RequestParam String who, @RequestParam int year, @RequestParam(required = false) @Nullable Integer window,
            @RequestParam(required = false) @Nullable String area, @RequestParam LocalDate asOf) {
        return tiers.view(Who.parse(who), year, window, area, asOf);
    }

    @PostMapping("/api/tiers")
    Written decide(@Valid @RequestBody TiersForm form) {
        return new Written(tiers.decide(Who.parse(form.who()), form.year(), form.window(), form.area(), form.decisions()));
    }

    @PostMapping("/api/tiers/opinions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void opine(@Valid @RequestBody OpinionForm form) {
        tiers.opine(form.studentId(), form.window(), form.area(), form.tier(), form.note(), form.seen());
    }

    @PostMapping("/api/tiers/rule")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void rule(@Valid @RequestBody RuleForm form) {
        tiers.chooseRule(form.school(), form.area(), form.rule(), form.measures());
    }

    @PostMapping("/api/tiers/closing")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void closing(@Valid @RequestBody ClosingForm form) {
        if (form.close()) {
            closing.close(form.window(), form.school());
        } else {
            closing.reopen(form.window(), form.school(), form.reason());
        }
    }
}
