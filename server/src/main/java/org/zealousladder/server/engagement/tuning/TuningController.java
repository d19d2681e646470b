package org.zealousladder.server.engagement.tuning;

import java.time.LocalDate;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.core.engagement.EngagementRule;

/** Setting the rules about engagement. */
@RestController
class TuningController {
    private final TuningService tuning;
    private final GapService gap;

    TuningController(TuningService tuning, GapService gap) {
        this.tuning = tuning;
        this.gap = gap;
    }

    @GetMapping("/api/engagement/gap")
    GapService.GapView gap() {
        return gap.view();
    }

    @PostMapping("/api/engagement/gap/preview")
    RulePreview gapPreview(@RequestBody GapService.GapForm form) {
        return gap.preview(form);
    }

    @PostMapping("/api/engagement/gap")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void saveGap(@RequestBody GapService.GapForm form) {
        gap.save(form);
    }

    @PostMapping("/api/engagement/gap/undo")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void undoGap() {
        gap.undo();
    }

    /** @param who {@code all}, a school, a grade or a class */
    @GetMapping("/api/engagement/rules")
    RulesView rules(@RequestParam String who, @RequestParam LocalDate asOf) {
        return tuning.view(who, asOf);
    }

    @PostMapping("/api/engagement/rules/preview")
    RulePreview preview(@RequestBody RuleForm form) {
        return tuning.preview(form);
    }

    @PostMapping("/api/engagement/rules")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void save(@RequestBody RuleForm form) {
        tuning.save(form);
    }

    /** What was set there last. */
    record Undo(String who, EngagementRule rule) {}

    @PostMapping("/api/engagement/rules/undo")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void undo(@RequestBody Undo what) {
        tuning.undo(what.who(), what.rule());
    }
}
