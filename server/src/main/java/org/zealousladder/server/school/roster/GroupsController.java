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
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Classes and teaching groups, and who is in them. */
@RestController
class GroupsController {
    private final GroupsService groups;

    GroupsController(GroupsService groups) {
        this.groups = groups;
    }

    record NewGroup(int school, int year, @NotBlank(message = "give it a name") @Size(max = 60, message = "is too long") String name,
            @Nullable @Size(max = 60, message = "is too long") String subject, @NotNull @Size(max = 500) List<Integer> students,
            @NotNull @Size(max = 20) List<Integer> teachers) {}

    record GroupMade(int id) {}

    record Members(@NotNull @NotEmpty(message = "pick somebody first") @Size(max = 500) List<Integer> students) {}

    record LastDay(@NotNull(message = "give the last day") LocalDate ends) {}

    /** @param ends absent: the group goes on */
    record GroupEnds(@Nullable LocalDate ends) {}

    /** @param from the first day in the other class */
    record ClassMove(int into, @NotNull(message = "give the first day") LocalDate from) {}

    @GetMapping("/api/classes")
    ClassesView classes(@RequestParam int year) {
        return groups.view(year);
    }

    @PostMapping("/api/groups")
    GroupMade add(@Valid @RequestBody NewGroup form) {
        return new GroupMade(groups.add(form.school(), form.year(), form.name(), form.subject(), form.students(), form.teachers()));
    }

    @PostMapping("/api/groups/{id}/members")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void addMembers(@PathVariable int id, @Valid @RequestBody Members form) {
        groups.addMembers(id, form.students());
    }

    @PutMapping("/api/groups/{id}/members/{student}/ends")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endMember(@PathVariable int id, @PathVariable int student, @Valid @RequestBody LastDay form) {
        groups.endMember(id, student, form.ends());
    }

    record Leaders(@NotNull @NotEmpty(message = "choose somebody first") @Size(max = 20) List<Integer> teachers) {}

    @PostMapping("/api/groups/{id}/teachers")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void addTeachers(@PathVariable int id, @Valid @RequestBody Leaders form) {
        groups.addTeachers(id, form.teachers());
    }

    @PutMapping("/api/groups/{id}/teachers/{person}/ends")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endTeacher(@PathVariable int id, @PathVariable int person, @Valid @RequestBody LastDay form) {
        groups.endTeacher(id, person, form.ends());
    }

    @PutMapping("/api/groups/{id}/ends")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable int id, @Valid @RequestBody GroupEnds form) {
        groups.end(id, form.ends());
    }

    @PostMapping("/api/students/{student}/move")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void move(@PathVariable int student, @Valid @RequestBody ClassMove form) {
        groups.move(student, form.into(), form.from());
    }
}
