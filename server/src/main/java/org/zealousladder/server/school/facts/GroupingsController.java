package org.zealousladder.server.school.facts;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Which groupings a school keeps. */
@RestController
class GroupingsController {
    private final GroupingsService groupings;

    GroupingsController(GroupingsService groupings) {
        this.groupings = groupings;
    }

    /** @param mayChangeAll whether the viewer may change those of every school */
    record GroupingsView(List<Grouping> groupings, boolean mayChangeAll) {}

    /** @param school absent: every school's */
    record NewGrouping(@NotBlank(message = "give it a name") @Size(max = 60, message = "is too long") String name, @Nullable Integer school,
            boolean sensitive) {}

    record GroupingForm(@NotBlank(message = "give it a name") @Size(max = 60, message = "is too long") String name, boolean sensitive, boolean ended) {}

    record GroupingMade(int id) {}

    @GetMapping("/api/groupings")
    GroupingsView all() {
        return new GroupingsView(groupings.all(), groupings.mayAdd(null));
    }

    @PostMapping("/api/groupings")
    GroupingMade add(@Valid @RequestBody NewGrouping form) {
        return new GroupingMade(groupings.add(form.name(), form.school(), form.sensitive()));
    }

    @PutMapping("/api/groupings/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(@PathVariable int id, @Valid @RequestBody GroupingForm form) {
        groupings.change(id, form.name(), form.sensitive(), form.ended());
    }
}
