package org.zealousladder.server.learning.packages;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.platform.problems.Refusal;

/** Packages of items. */
@RestController
@RequestMapping("/api/bank/packages")
class PackagesController {
    private static final int LARGEST = 50 << 20;

    private final PackagesService packages;

    PackagesController(PackagesService packages) {
        this.packages = packages;
    }

    /**
     * A package in the form of QTI 3.0.
     *
     * @param skill that all of its items ask for
     * @param check name of a check that is made of them
     * @param take whether to write it, or only to say what it would do
     */
    @PostMapping(consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @io.swagger.v3.oas.annotations.parameters.RequestBody(content = @io.swagger.v3.oas.annotations.media.Content(mediaType = "application/octet-stream",
            schema = @io.swagger.v3.oas.annotations.media.Schema(type = "string", format = "binary")))
    PackagesService.PackageResult bring(@RequestParam int school, @RequestParam(required = false) @Nullable Integer skill,
            @RequestParam(required = false) @Nullable String check, @RequestParam boolean take,
            @io.swagger.v3.oas.annotations.Parameter(hidden = true) HttpServletRequest request) throws IOException {
        byte[] body = request.getInputStream().readNBytes(LARGEST + 1);
        if (body.length > LARGEST) {
            throw Refusal.invalid("file", "The package is larger than 50 MB. Ask for a part of it. Nothing was saved.");
        }
        return packages.bring(school, skill, check, body, take);
    }
}
