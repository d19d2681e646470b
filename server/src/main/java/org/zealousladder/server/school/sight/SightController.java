package org.zealousladder.server.school.sight;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.platform.who.Viewer;

/** What each role sees of students. */
@RestController
@RequestMapping("/api/sight")
class SightController {
    private final SightService sight;

    SightController(SightService sight) {
        this.sight = sight;
    }

    @GetMapping
    List<SightService.RoleSight> all() {
        return sight.all();
    }

    record SightForm(@NotNull Sight what, Viewer.@NotNull Role role, boolean seen,
            @NotBlank(message = "say why") @Size(max = 200, message = "is too long") String because) {}

    @PutMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void set(@Valid @RequestBody SightForm form) {
        sight.set(form);
    }
}
