package org.zealousladder.server.engagement.looks;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Setting flags aside, and keeping an eye on students. */
@RestController
class AsidesController {
    private final AsidesService asides;

    AsidesController(AsidesService asides) {
        this.asides = asides;
    }

    @PostMapping("/api/engagement/asides")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void add(@RequestBody AsideForm form) {
        asides.add(form);
    }

    @PostMapping("/api/engagement/asides/{id}/withdraw")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(@PathVariable long id) {
        asides.withdraw(id);
    }
}
