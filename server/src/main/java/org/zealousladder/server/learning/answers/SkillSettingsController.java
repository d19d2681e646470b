package org.zealousladder.server.learning.answers;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Size;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What schools mean by having a skill. */
@RestController
@RequestMapping("/api/skills/settings")
class SkillSettingsController {
    private final SkillSettingsService settings;

    SkillSettingsController(SkillSettingsService settings) {
        this.settings = settings;
    }

    /** @param standard share of right answers @param halfLife days @param year whose students the preview looks at @param seen the setting it goes from */
    record SkillSettingForm(int school, int year, int seen, double standard, double sureness, double halfLife,
            @Nullable @Size(max = 500, message = "is too long") String because) {}

    @GetMapping
    SkillSettingsService.SkillSettingsView settings(@RequestParam int school) {
        return settings.view(school);
    }

    @PostMapping("/preview")
    SkillSettingsService.SkillsPreview preview(@Valid @RequestBody SkillSettingForm form) {
        return settings.preview(form);
    }

    @PostMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void set(@Valid @RequestBody SkillSettingForm form) {
        settings.set(form);
    }
}
