package org.zealousladder.server.overview.students;

import java.time.LocalDate;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.school.roster.StudentRef;

/** The student page and the go-to box. */
@RestController
class StudentsController {
    private final StudentsService students;
    private final LaneService lanes;

    StudentsController(StudentsService students, LaneService lanes) {
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

    @GetMapping("/api/students")
    List<StudentRef> find(@RequestParam String find, @RequestParam LocalDate asOf) {
        return students.find(find, asOf);
    }
}
