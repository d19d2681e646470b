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

    StudentsController(StudentsService students) {
        this.students = students;
    }

    @GetMapping("/api/students/{id}")
    StudentPage page(@PathVariable int id, @RequestParam LocalDate asOf) {
        return students.page(id, asOf);
    }

    @GetMapping("/api/students")
    List<StudentRef> find(@RequestParam String find, @RequestParam LocalDate asOf) {
        return students.find(find, asOf);
    }
}
