package org.zealousladder.server.screening.tiers;

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
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.school.roster.Who;

/** Tiers and the closing of windows. */
@RestController
class TiersController {
    private final TiersService tiers;
    private final DecidingService deciding;
    private final ClosingService closing;
    private final ClosingOverview overview;

    TiersController(TiersService tiers, DecidingService deciding, ClosingService closing, ClosingOverview overview) {
        this.tiers = tiers;
        this.deciding = deciding;
        this.closing = closing;
        this.overview = overview;
    }

    record TiersForm(@NotBlank String who, int year, int window, @NotBlank String area, @NotNull List<DecidingService.TierDecision> decisions) {}

    record Written(int count) {}

    @GetMapping("/api/tiers")
    TiersView tiers(@RequestParam String who, @RequestParam int year, @RequestParam(required = false) @Nullable Integer window,
            @RequestParam(required = false) @Nullable String area, @RequestParam LocalDate asOf) {
        return tiers.view(Who.parse(who), year, window, area, asOf);
    }

    @PostMapping("/api/tiers")
    Written decide(@Valid @RequestBody TiersForm form) {
        return new Written(deciding.decide(Who.parse(form.who()), form.year(), form.window(), form.area(), form.decisions()));
    }

    @PostMapping("/api/tiers/opinions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void opine(@Valid @RequestBody DecidingService.OpinionForm form) {
        deciding.opine(form);
    }

    /** What is still undecided, class by class and area by area. */
    @GetMapping("/api/tiers/closing")
    ClosingOverview.ClosingView closing(@RequestParam int school, @RequestParam int window) {
        return overview.view(school, window);
    }

    @PostMapping("/api/tiers/closing")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void close(@Valid @RequestBody ClosingService.ClosingForm form) {
        closing.change(form);
    }
}
