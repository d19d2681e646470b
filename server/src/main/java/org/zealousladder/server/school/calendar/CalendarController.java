package org.zealousladder.server.school.calendar;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Calendars of schools. */
@RestController
class CalendarController {
    private final CalendarEditor editor;

    CalendarController(CalendarEditor editor) {
        this.editor = editor;
    }

    /** @param school absent: of every school */
    record NewSpan(@Nullable Integer school, @NotNull SpanKind kind, @NotNull(message = "give the first day") LocalDate starts,
            @NotNull(message = "give the last day") LocalDate ends, @NotNull @Size(max = 120, message = "is too long") String words) {}

    record WeekForm(@NotNull @Size(max = 7) List<@NotNull Integer> week) {}

    record SpanMade(int id) {}

    @GetMapping("/api/calendar")
    CalendarView view(@RequestParam int school, @RequestParam int year) {
        return editor.view(school, year);
    }

    @PostMapping("/api/calendar/spans")
    SpanMade add(@Valid @RequestBody NewSpan form) {
        return new SpanMade(editor.add(form.school(), form.kind(), form.starts(), form.ends(), form.words()));
    }

    @DeleteMapping("/api/calendar/spans/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable int id) {
        editor.end(id);
    }

    @PutMapping("/api/calendar/{school}/week")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void week(@PathVariable int school, @Valid @RequestBody WeekForm form) {
        editor.setWeek(school, form.week());
    }
}
