package org.zealousladder.server.learning.skills;

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
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.core.skills.SkillProfile;
import org.zealousladder.server.platform.once.OnceService;
import org.zealousladder.server.school.roster.Who;

/** Profiles of students over the domains of a framework, and the library of advice. */
@RestController
@RequestMapping("/api/skills/profiles")
class ProfilesController {
    private final ProfilesService profiles;
    private final OnceService once;

    ProfilesController(ProfilesService profiles, OnceService once) {
        this.profiles = profiles;
        this.once = once;
    }

    @GetMapping
    ProfilesView profiles(@RequestParam String who, @RequestParam int year, @RequestParam LocalDate asOf,
            @RequestParam(required = false) @Nullable Integer framework,
            @RequestParam(required = false) @Nullable Integer measure) {
        return profiles.view(Who.parse(who), year, asOf, framework, measure);
    }

    /** Advice as it is typed. */
    record AdviceForm(@NotBlank String who, int framework, @NotBlank @Size(max = 80) String domain, @NotNull SkillProfile.Own own,
            @NotBlank(message = "is missing") @Size(max = 500, message = "has at most 500 letters") String advice) {}

    @PostMapping("/advice")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void add(@Valid @RequestBody AdviceForm f, @RequestHeader(name = OnceService.KEY, required = false) @Nullable String key) {
        once.run(key, f, () -> profiles.add(Who.parse(f.who()), f.framework(), f.domain(), f.own(), f.advice()));
    }

    /** Other words, or its end. */
    record AdviceChange(@NotBlank(message = "is missing") @Size(max = 500, message = "has at most 500 letters") String advice, boolean ended) {}

    @PutMapping("/advice/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(@PathVariable int id, @Valid @RequestBody AdviceChange f) {
        profiles.change(id, f.advice(), f.ended());
    }

    /** @param followed or not after all */
    record FollowForm(@NotEmpty List<Integer> students, boolean followed) {}

    @PutMapping("/advice/{id}/followed")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void follow(@PathVariable int id, @Valid @RequestBody FollowForm f) {
        profiles.follow(id, f.students(), f.followed());
    }
}
