package org.zealousladder.server.overview.start;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.measures.windows.WindowForm;

/** What a school needs before its first Ladder. */
@RestController
class StartController {
    private final StartService start;

    StartController(StartService start) {
        this.start = start;
    }

    record FirstWindows(@NotNull @NotEmpty @Size(max = 12) List<@Valid WindowForm> windows) {}

    @GetMapping("/api/setup/start")
    StartView start() {
        return start.view();
    }

    /** Several windows at once, each recorded as a change of its own. */
    @PostMapping("/api/setup/windows")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void windows(@Valid @RequestBody FirstWindows form) {
        start.addWindows(form.windows());
    }
}
