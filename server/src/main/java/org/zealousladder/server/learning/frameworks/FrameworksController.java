package org.zealousladder.server.learning.frameworks;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.platform.once.OnceService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Who;

/** Frameworks of skills as they are set up. */
@RestController
@RequestMapping("/api/skills/frameworks")
class FrameworksController {
    private static final int LARGEST = 20 << 20;

    private final FrameworksService frameworks;
    private final CaseService packages;
    private final RosterService roster;
    private final OnceService once;

    FrameworksController(FrameworksService frameworks, CaseService packages, RosterService roster, OnceService once) {
        this.packages = packages;
        this.frameworks = frameworks;
        this.roster = roster;
        this.once = once;
    }

    @GetMapping
    FrameworksService.FrameworksView frameworks(@RequestParam String who) {
        return frameworks.view(roster.school(Who.parse(who)));
    }

    /** @param school null: for every school */
    record FrameworkForm(@Nullable Integer school, @NotBlank(message = "is missing") @Size(max = 120, message = "has at most 120 letters") String name,
            @Nullable @Size(max = 200, message = "has at most 200 letters") String source, boolean ended) {}

    /** What was made. */
    record MadeHere(int id) {}

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    MadeHere add(@Valid @RequestBody FrameworkForm f, @RequestHeader(name = OnceService.KEY, required = false) @Nullable String key) {
        return once.answer(key, f, MadeHere.class, () -> new MadeHere(frameworks.add(f.school(), f.name(), f.source())));
    }

    @PutMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(@PathVariable int id, @Valid @RequestBody FrameworkForm f) {
        frameworks.change(id, f.name(), f.source(), f.ended());
    }

    @PostMapping("/{id}/skills")
    @ResponseStatus(HttpStatus.CREATED)
    MadeHere addSkill(@PathVariable int id, @Valid @RequestBody SkillForm f, @RequestHeader(name = OnceService.KEY, required = false) @Nullable String key) {
        return once.answer(key, f, MadeHere.class, () -> new MadeHere(frameworks.addSkill(id, f)));
    }

    @PutMapping("/{id}/skills/{skill}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void changeSkill(@PathVariable int id, @PathVariable int skill, @Valid @RequestBody SkillForm f) {
        frameworks.changeSkill(id, skill, f);
    }

    /** @param ended or brought back */
    record SkillEnding(boolean ended) {}

    @PutMapping("/{id}/skills/{skill}/ended")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable int id, @PathVariable int skill, @RequestBody SkillEnding e) {
        frameworks.end(id, skill, e.ended());
    }

    /**
     * A package in the form of CASE.
     *
     * @param school null: for every school
     * @param take whether to write it, or only to say what it would do
     */
    @PostMapping(path = "/packages", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @io.swagger.v3.oas.annotations.parameters.RequestBody(content = @io.swagger.v3.oas.annotations.media.Content(mediaType = "application/octet-stream",
            schema = @io.swagger.v3.oas.annotations.media.Schema(type = "string", format = "binary")))
    CaseService.CaseResult bring(@RequestParam(required = false) @Nullable Integer school, @RequestParam boolean take,
            @io.swagger.v3.oas.annotations.Parameter(hidden = true) HttpServletRequest request) throws IOException {
        byte[] body = request.getInputStream().readNBytes(LARGEST + 1);
        if (body.length > LARGEST) {
            throw Refusal.invalid("file", "The package is larger than 20 MB. Ask for a smaller part of the framework. Nothing was saved.");
        }
        return packages.bring(school, body, take);
    }
}
