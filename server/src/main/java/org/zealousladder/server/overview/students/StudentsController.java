package org.zealousladder.server.overview.students;

import jakarta.validation.Valid;
import java.time.LocalDate;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.school.roster.StudentRef;

/** The student page and the go-to box. */
@RestController
class StudentsController {
    private final StudentsService students;
    private final LaneService lanes;
    private final LanesStore chosen;

    StudentsController(StudentsService students, LaneService lanes, LanesStore chosen) {
        this.chosen = chosen;
        this.students = students;
        this.lanes = lanes;
    }

    @GetMapping("/api/students/{id}")
    StudentPage page(@PathVariable int id, @RequestParam LocalDate asOf) {
        return students.page(id, asOf);
    }

    /** @param lane {@code measure-3}, or what else has a lane: days, time, work, skills, tiers */
    @GetMapping("/api/students/{id}/lanes/{lane}")
    LaneDetail lane(@PathVariable int id, @PathVariable String lane, @RequestParam LocalDate asOf) {
        return lanes.open(id, lane, asOf);
    }

    /** Lanes as the viewer wants them on every student's page. */
    @PutMapping("/api/account/lanes")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void choose(@Valid @RequestBody LaneChoice choice) {
        chosen.keep(choice);
    }

    @GetMapping("/api/students")
    List<StudentRef> find(@RequestParam String find, @RequestParam LocalDate asOf) {
        return students.find(find, asOf);
    }
}
