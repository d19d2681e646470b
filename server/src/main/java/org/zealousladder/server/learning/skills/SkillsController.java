package org.zealousladder.server.learning.skills;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
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
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.school.roster.Who;

/** Which skills students have. */
@RestController
@RequestMapping("/api/skills")
class SkillsController {
    private final SkillsService skills;
    private final StudentSkillsService students;
    private final BesideService beside;
    private final ItemsPageService itemsPage;
    private final MendService mending;
    private final TaughtService taught;

    SkillsController(SkillsService skills, StudentSkillsService students, BesideService beside, ItemsPageService itemsPage, MendService mending,
            TaughtService taught) {
        this.itemsPage = itemsPage;
        this.mending = mending;
        this.skills = skills;
        this.students = students;
        this.beside = beside;
        this.taught = taught;
    }

    @GetMapping
    SkillsView skills(@RequestParam String who, @RequestParam int year, @RequestParam LocalDate asOf,
            @RequestParam(required = false) @Nullable Integer framework,
            @RequestParam(required = false) @Nullable Integer measure) {
        return skills.view(Who.parse(who), year, asOf, framework, measure);
    }

    @GetMapping("/{framework}/{skill}")
    SkillsView.SkillDetail skill(@PathVariable int framework, @PathVariable int skill, @RequestParam String who, @RequestParam int year,
            @RequestParam LocalDate asOf) {
        return skills.detail(Who.parse(who), year, asOf, framework, skill);
    }

    /** @param from the topic's first day @param to its last */
    @GetMapping("/{framework}/{skill}/topic")
    Beside.Topic topic(@PathVariable int framework, @PathVariable int skill, @RequestParam String who, @RequestParam int year, @RequestParam LocalDate asOf,
            @RequestParam LocalDate from, @RequestParam LocalDate to) {
        return beside.topic(Who.parse(who), year, asOf, framework, skill, from, to);
    }

    @GetMapping("/students/{student}")
    StudentSkills student(@PathVariable int student, @RequestParam int year, @RequestParam LocalDate asOf,
            @RequestParam(required = false) @Nullable Integer framework) {
        return students.view(student, year, asOf, framework);
    }

    /** @param a {@code student-12} or whose students; so is {@code b} */
    @GetMapping("/beside")
    Beside.SideBySide beside(@RequestParam int framework, @RequestParam int year, @RequestParam LocalDate asOf, @RequestParam String a,
            @RequestParam(required = false) @Nullable LocalDate aFrom, @RequestParam(required = false) @Nullable LocalDate aTo, @RequestParam String b,
            @RequestParam(required = false) @Nullable LocalDate bFrom, @RequestParam(required = false) @Nullable LocalDate bTo) {
        return beside.sides(framework, year, asOf, new BesideService.Side(a, aFrom, aTo), new BesideService.Side(b, bFrom, bTo));
    }

    @GetMapping("/items")
    ItemsView items(@RequestParam String who, @RequestParam int year, @RequestParam LocalDate asOf, @RequestParam(required = false) @Nullable Integer check) {
        return itemsPage.view(Who.parse(who), year, asOf, check);
    }

    /** Which skills an item asks for. @param seen those it asked for when it was looked at @param because why, where it has been answered */
    record SkillsOfItem(@NotNull List<Integer> skills, @Nullable List<Integer> seen,
            @Nullable @Size(max = 500, message = "has at most 500 letters") String because) {}

    /** Who would move. */
    @PostMapping("/items/{id}/skills")
    MendService.MendLook lookAtMending(@PathVariable int id, @Valid @RequestBody SkillsOfItem f) {
        return mending.look(id, f.skills());
    }

    @GetMapping("/items/{id}/skills")
    List<MendService.PastMending> mendings(@PathVariable int id) {
        return mending.history(id);
    }

    @PutMapping("/items/{id}/skills")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void mend(@PathVariable int id, @Valid @RequestBody SkillsOfItem f) {
        mending.mend(id, f.skills(), f.seen(), f.because());
    }

    /** @param taught whether the class or group is being taught it from now on */
    record TaughtForm(@NotBlank String who, int skill, boolean taught) {}

    @PutMapping("/taught")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void tell(@Valid @RequestBody TaughtForm f) {
        taught.tell(Who.parse(f.who()), f.skill(), f.taught());
    }
}
