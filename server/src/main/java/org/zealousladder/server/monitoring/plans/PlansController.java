package org.zealousladder.server.monitoring.plans;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
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
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.school.roster.Who;

/** Concerns, plans, sessions and strategies. */
@RestController
@RequestMapping("/api/plans")
class PlansController {
    private final PlansOverview overview;
    private final PlansService plans;
    private final PlanMaking making;
    private final PlanChanges changes;
    private final ConcernsService concerns;
    private final StrategiesService strategies;

    PlansController(PlansOverview overview, PlansService plans, PlanMaking making, PlanChanges changes, ConcernsService concerns,
            StrategiesService strategies) {
        this.overview = overview;
        this.plans = plans;
        this.making = making;
        this.changes = changes;
        this.concerns = concerns;
        this.strategies = strategies;
    }

    @GetMapping
    PlansView plans(@RequestParam String who, @RequestParam int measure, @RequestParam int year, @RequestParam LocalDate asOf) {
        return overview.view(Who.parse(who), measure, year, asOf);
    }

    @PostMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void make(@Valid @RequestBody PlanForm form) {
        making.make(form);
    }

    /** @param together other plans of the same group that go the same way */
    record PlanChange(@Nullable @Size(max = 40) List<Long> together, @NotNull(message = "give the day of the change") LocalDate starts,
            @NotNull @Valid PlanForm.Way way) {}

    @PostMapping("/{id}/phases")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(@PathVariable long id, @Valid @RequestBody PlanChange form) {
        changes.change(id, form.together(), form.starts(), form.way());
    }

    /** @param together other plans of the same group that are worded alike */
    record PlanAmendment(@Nullable @Size(max = 40) List<Long> together, @NotBlank(message = "say what worries us") @Size(max = 1000) String worry,
            @Nullable @Size(max = 1000) String success,
            @NotNull(message = "give the last day") LocalDate ends) {}

    @PostMapping("/{id}/amendment")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void amend(@PathVariable long id, @Valid @RequestBody PlanAmendment form) {
        changes.amend(id, form.together(), form.worry(), form.success(), form.ends());
    }

    /** @param together other plans of the same group that end with it */
    record PlanClosing(@Nullable @Size(max = 40) List<Long> together, @NotNull(message = "give the day") LocalDate on,
            @NotNull(message = "say how it ended: met, partly, not-met or stopped") PlanOutcome outcome,
            @Nullable @Size(max = 1000) String note) {}

    @PostMapping("/{id}/closing")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void close(@PathVariable long id, @Valid @RequestBody PlanClosing form) {
        changes.close(id, form.together(), form.on(), form.outcome(), form.note());
    }

    record PlanReopening(@NotBlank(message = "say in a few words why") @Size(max = 1000) String reason) {}

    @PostMapping("/{id}/reopening")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void reopen(@PathVariable long id, @Valid @RequestBody PlanReopening form) {
        changes.reopen(id, form.reason());
    }

    record SessionsHeld(@NotEmpty @Size(max = 100) List<Long> plans, @NotNull LocalDate day, @Min(0) @Max(20) int given) {}

    @PostMapping("/sessions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void hold(@Valid @RequestBody SessionsHeld form) {
        plans.hold(form.plans(), form.day(), form.given());
    }

    record ConcernForm(int studentId, @NotBlank @Size(max = 80) String area, int level, @Nullable @Size(max = 500) String note, @Nullable Long seen) {}

    @PostMapping("/concerns")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void concern(@Valid @RequestBody ConcernForm form) {
        concerns.put(form.studentId(), form.area(), form.level(), form.note(), form.seen());
    }

    /** @param save false: only tells for whom it would be set */
    record ConcernsForm(@NotEmpty @Size(max = 500) List<Integer> students, @NotBlank(message = "say in which area") @Size(max = 80) String area, int level,
            @Nullable @Size(max = 500) String note, boolean save) {}

    @PostMapping("/concerns/all")
    ConcernsService.ConcernsSet concerns(@Valid @RequestBody ConcernsForm form) {
        return concerns.putAll(form);
    }

    record ConcernsBack(@NotEmpty @Size(max = 500) List<Integer> students, @NotBlank @Size(max = 80) String area) {}

    record TakenBackFrom(int students) {}

    @PostMapping("/concerns/taken-back")
    TakenBackFrom takeBack(@Valid @RequestBody ConcernsBack form) {
        return new TakenBackFrom(concerns.takeBack(form.students(), form.area()));
    }

    record StrategyForm(@Nullable Integer id, int schoolId, @NotBlank(message = "give the area") @Size(max = 80) String area,
            @NotBlank(message = "give it a name") @Size(max = 120) String name, @Nullable @Size(max = 1000) String how, boolean retired) {}

    @PostMapping("/strategies")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void strategy(@Valid @RequestBody StrategyForm form) {
        strategies.save(form.id(), form.schoolId(), form.area(), form.name(), form.how(), form.retired());
    }
}
