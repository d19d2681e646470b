package org.zealousladder.server.monitoring.strip;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.platform.once.OnceService;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.scores.scores.ScoresService;

/** The score strip. */
@RestController
@RequestMapping("/api/strip")
class StripController {
    private final StripService strip;
    private final StripSaving saving;
    private final MediansService medians;
    private final ScoresService scores;
    private final OnceService once;

    StripController(StripService strip, StripSaving saving, MediansService medians, ScoresService scores, OnceService once) {
        this.strip = strip;
        this.saving = saving;
        this.medians = medians;
        this.scores = scores;
        this.once = once;
    }

    @GetMapping
    StripView strip(@RequestParam String who, @RequestParam int measure, @RequestParam int year, @RequestParam(required = false) @Nullable LocalDate day) {
        return strip.view(Who.parse(who), measure, year, day);
    }

    @PostMapping
    StripView.StripEntry save(@Valid @RequestBody StripScore form, @RequestHeader(name = OnceService.KEY, required = false) @Nullable String key) {
        return once.answer(key, form, StripView.StripEntry.class, () -> saving.save(form));
    }

    /** On which form or passage some scores were taken; absent or empty: nothing is known of it. */
    record NamedForm(@NotEmpty @Size(max = 2000) List<@NotNull Long> scores, @Nullable String form) {}

    @PostMapping("/form")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void form(@Valid @RequestBody NamedForm named) {
        scores.name(named.scores(), named.form());
    }

    record ClassMedian(int classId, int measureId, @NotNull LocalDate day, @Nullable Double median) {}

    @PostMapping("/median")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void median(@Valid @RequestBody ClassMedian form) {
        medians.put(form.classId(), form.measureId(), form.day(), form.median());
    }
}
