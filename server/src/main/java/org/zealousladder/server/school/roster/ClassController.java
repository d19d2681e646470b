package org.zealousladder.server.school.roster;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Classes, for administrators. */
@RestController
class ClassController {
    private final ClassEditor editor;

    ClassController(ClassEditor editor) {
        this.editor = editor;
    }

    /** @param teacher absent: nobody yet */
    record NewClass(int school, int year, @NotBlank(message = "give it a name") @Size(max = 60, message = "is too long") String name, int grade,
            @Nullable Integer teacher) {}

    record ClassMade(int id) {}

    record IntoClass(@NotNull @NotEmpty(message = "pick somebody first") @Size(max = 500) List<Integer> students,
            @NotNull(message = "give the first day") LocalDate from) {}

    record MergeForm(int into, @NotNull(message = "give the first day") LocalDate from) {}

    record ClassEnds(@NotNull(message = "give the last day") LocalDate ends) {}

    @PostMapping("/api/classes")
    ClassMade add(@Valid @RequestBody NewClass form) {
        return new ClassMade(editor.add(form.school(), form.year(), form.name(), form.grade(), form.teacher()));
    }

    @PostMapping("/api/classes/{id}/students")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void fill(@PathVariable int id, @Valid @RequestBody IntoClass form) {
        editor.fill(id, form.students(), form.from());
    }

    record LeavesForm(@NotNull(message = "give the last day") LocalDate last) {}

    /** A student leaves the school. */
    @PostMapping("/api/students/{id}/leave")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void leave(@PathVariable int id, @Valid @RequestBody LeavesForm form) {
        editor.leave(id, form.last());
    }

    @PostMapping("/api/classes/{id}/merge")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void merge(@PathVariable int id, @Valid @RequestBody MergeForm form) {
        editor.merge(id, form.into(), form.from());
    }

    @PutMapping("/api/classes/{id}/end")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable int id, @Valid @RequestBody ClassEnds form) {
        editor.end(id, form.ends());
    }
}
