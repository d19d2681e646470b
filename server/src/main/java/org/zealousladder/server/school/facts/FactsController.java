package org.zealousladder.server.school.facts;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What is kept of a student. It is read with the student's page. */
@RestController
class FactsController {
    private final FactsEditor editor;

    FactsController(FactsEditor editor) {
        this.editor = editor;
    }

    record CalledForm(@Nullable @Size(max = 80, message = "is too long") String preferredName, @Nullable LocalDate birthday) {}

    record GradeForm(int grade) {}

    /** @param starts absent: always, as far as is known; @param ends absent: it goes on */
    record GroupedForm(int grouping, @NotBlank(message = "say what it is") @Size(max = 120, message = "is too long") String value, @Nullable LocalDate starts,
            @Nullable LocalDate ends) {}

    record AtHomeForm(@NotBlank(message = "give the name") @Size(max = 120, message = "is too long") String name,
            @Nullable @Size(max = 60, message = "is too long") String relation, @Nullable @Size(max = 60, message = "is too long") String phone,
            @Nullable @Email(message = "is no e-mail address") @Size(max = 200, message = "is too long") String email,
            @Nullable @Size(max = 60, message = "is too long") String language, @Nullable ReachBy reachBy,
            @Nullable @Size(max = 120, message = "is too long") String reachWhen, @Nullable LocalDate ends, @Nullable Boolean noWriting,
            @Nullable Boolean own) {}

    record TakenBack(@NotBlank(message = "say why") @Size(max = 200, message = "is too long") String because) {}

    @PutMapping("/api/students/{id}/called")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void call(@PathVariable int id, @Valid @RequestBody CalledForm form) {
        editor.call(id, form.preferredName(), form.birthday());
    }

    /** In the class of today; the class's own grade is as good as none. */
    @PutMapping("/api/students/{id}/grade")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void grade(@PathVariable int id, @Valid @RequestBody GradeForm form) {
        editor.grade(id, form.grade());
    }

    @PostMapping("/api/students/{id}/grouped")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void keep(@PathVariable int id, @Valid @RequestBody GroupedForm form) {
        editor.keep(id, form, null);
    }

    @PutMapping("/api/students/{id}/grouped/{row}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(@PathVariable int id, @PathVariable long row, @Valid @RequestBody GroupedForm form) {
        editor.keep(id, form, row);
    }

    @PostMapping("/api/students/{id}/grouped/{row}/taken-back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBack(@PathVariable int id, @PathVariable long row, @Valid @RequestBody TakenBack form) {
        editor.withdrawGrouped(id, row, form.because());
    }

    @PostMapping("/api/students/{id}/home")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void addAtHome(@PathVariable int id, @Valid @RequestBody AtHomeForm form) {
        editor.keep(id, form, null);
    }

    @PutMapping("/api/students/{id}/home/{row}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void changeAtHome(@PathVariable int id, @PathVariable long row, @Valid @RequestBody AtHomeForm form) {
        editor.keep(id, form, row);
    }

    @PostMapping("/api/students/{id}/home/{row}/taken-back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBackAtHome(@PathVariable int id, @PathVariable long row, @Valid @RequestBody TakenBack form) {
        editor.withdrawHome(id, row, form.because());
    }
}
