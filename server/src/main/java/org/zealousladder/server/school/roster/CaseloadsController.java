package org.zealousladder.server.school.roster;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Who is on whose caseload. */
@RestController
class CaseloadsController {
    private final CaseloadsService caseloads;

    CaseloadsController(CaseloadsService caseloads) {
        this.caseloads = caseloads;
    }

    record OntoCaseload(@NotNull @NotEmpty(message = "pick somebody first") @Size(max = 500) List<Integer> students) {}

    record OffCaseload(@NotNull(message = "give the last day") LocalDate ends) {}

    @PostMapping("/api/caseloads/{person}/students")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void add(@PathVariable int person, @Valid @RequestBody OntoCaseload form) {
        caseloads.add(person, form.students());
    }

    @PutMapping("/api/caseloads/{person}/students/{student}/ends")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable int person, @PathVariable int student, @Valid @RequestBody OffCaseload form) {
        caseloads.end(person, student, form.ends());
    }
}
