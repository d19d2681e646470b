package org.zealousladder.server.overview.digest;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** One's own morning letter. */
@RestController
@RequestMapping("/api/account/digest")
class DigestController {
    private final DigestService digests;

    DigestController(DigestService digests) {
        this.digests = digests;
    }

    @GetMapping
    DigestService.DigestState state() {
        return digests.state();
    }

    @PutMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void want() {
        digests.want();
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void stop() {
        digests.stop();
    }

    @PostMapping("/now")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void now() {
        digests.now();
    }
}
