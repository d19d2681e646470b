package org.zealousladder.server.school.roster;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Schools and school years, for administrators. */
@RestController
class SchoolController {
    private final SchoolEditor editor;

    SchoolController(SchoolEditor editor) {
        this.editor = editor;
    }

    record NewSchool(@NotBlank(message = "give the name") @Size(max = 100, message = "is too long") String name) {}

    /** @param name absent: made of its days; @param school absent: every school's */
    record NewYear(@Nullable @Size(max = 40, message = "is too long") String name, @NotNull(message = "give the first day") LocalDate starts,
            @NotNull(message = "give the last day") LocalDate ends, @Nullable Integer school) {}

    record Made(int id) {}

    @PostMapping("/api/schools")
    Made school(@Valid @RequestBody NewSchool form) {
        return new Made(editor.addSchool(form.name()));
    }

    @PostMapping("/api/years")
    Made year(@Valid @RequestBody NewYear form) {
        return new Made(editor.addYear(form.name(), form.starts(), form.ends(), form.school()));
    }
}
