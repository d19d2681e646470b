package org.zealousladder.server.monitoring.strip;

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
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.school.roster.Who;

/** The score strip. */
@RestController
@RequestMapping("/api/strip")
class StripController {
    private final StripService strip;

    StripController(StripService strip) {
        this.strip = strip;
    }

    @GetMapping
    StripView strip(@RequestParam String who, @RequestParam int measure, @RequestParam int year, @RequestParam LocalDate day) {
        return strip.view(Who.parse(who), measure, year, day);
    }

    record StripScore(int studentId, int measureId, @NotNull(message = "give the date") LocalDate day,
            @NotNull @Size(max = 3, message = "up to three forms") List<Double> values, @NotBlank String status, @Nullable Long seen) {}

    @PostMapping
    StripView.StripEntry save(@Valid @RequestBody StripScore form) {
        return strip.save(form.studentId(), form.measureId(), form.day(), form.values(), form.status(), form.seen());
    }

    record ClassMedian(int classId, int measureId, @NotNull LocalDate day, @Nullable Double median) {}

    @PostMapping("/median")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void median(@Valid @RequestBody ClassMedian form) {
        strip.putMedian(form.classId(), form.measureId(), form.day(), form.median());
    }
}
