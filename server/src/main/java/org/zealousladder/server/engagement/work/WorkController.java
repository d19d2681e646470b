package org.zealousladder.server.engagement.work;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.core.work.MarkScale;
import org.zealousladder.core.work.WhichAttempt;
import org.zealousladder.server.engagement.work.WorkPageService.Looking;
import org.zealousladder.server.platform.downloads.Download;
import org.zealousladder.server.platform.once.OnceService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.SpokenHome;
import org.zealousladder.server.school.roster.Who;

/** Course work. */
@RestController
@RequestMapping("/api/work")
class WorkController {
    private final WorkPageService pages;
    private final MarksService marks;
    private final PiecesService pieces;
    private final WorkSettingsService settings;
    private final SpokenHome spoken;
    private final OnceService once;

    WorkController(WorkPageService pages, MarksService marks, PiecesService pieces, WorkSettingsService settings, SpokenHome spoken, OnceService once) {
        this.spoken = spoken;
        this.pages = pages;
        this.marks = marks;
        this.pieces = pieces;
        this.settings = settings;
        this.once = once;
    }

    @GetMapping
    WorkView work(@RequestParam String who, @RequestParam int year, @RequestParam LocalDate asOf,
            @RequestParam(required = false) @Nullable WhichAttempt attempt,
            @RequestParam(required = false) @Nullable Boolean late, @RequestParam(required = false) @Nullable String subject,
            @RequestParam(name = "work", required = false) @Nullable String kind) {
        return pages.view(Who.parse(who), year, asOf, new Looking(attempt, late, subject, kind));
    }

    @GetMapping("/pieces/{id}")
    WorkView.PieceView piece(@PathVariable int id, @RequestParam String who, @RequestParam int year, @RequestParam LocalDate asOf,
            @RequestParam(required = false) @Nullable WhichAttempt attempt, @RequestParam(required = false) @Nullable Boolean late) {
        return pages.piece(Who.parse(who), year, asOf, id, new Looking(attempt, late, null, null));
    }

    /** What is taken out. @param hide pieces that are left out; @param codes whether names are hidden @param home whether it is shown when home was last spoken to */
    record WorkExportForm(@NotBlank String who, int year, @NotNull LocalDate asOf, @Nullable WhichAttempt attempt, @Nullable Boolean late,
            @Nullable String subject,
            @Nullable String work, @NotNull List<Integer> hide, boolean codes, @NotBlank String format, @Nullable Boolean home) {}

    @PostMapping(path = "/export", produces = {MediaType.APPLICATION_OCTET_STREAM_VALUE, "text/csv"})
    ResponseEntity<Resource> export(@Valid @RequestBody WorkExportForm f) {
        WorkExport export = new WorkExport(pages.view(Who.parse(f.who()), f.year(), f.asOf(), new Looking(f.attempt(), f.late(), f.subject(), f.work())),
                f.hide(), f.codes(), spoken.of(f.home(), Who.parse(f.who()), f.year(), f.asOf()));
        return switch (f.format()) {
            case "csv" -> Download.csv("work-" + f.asOf() + ".csv", export::csv);
            case "xlsx" -> Download.of("work-" + f.asOf() + ".xlsx", MediaType.APPLICATION_OCTET_STREAM, export::xlsx);
            default -> throw Refusal.invalid("format", "Work is taken out as csv or xlsx.");
        };
    }

    @PostMapping("/marks")
    MarksService.MarkEntry mark(@Valid @RequestBody MarkForm form, @RequestHeader(name = OnceService.KEY, required = false) @Nullable String key) {
        return once.answer(key, form, MarksService.MarkEntry.class, () -> marks.type(form));
    }

    @PostMapping("/pieces")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void keep(@Valid @RequestBody PieceForm form, @RequestHeader(name = OnceService.KEY, required = false) @Nullable String key) {
        once.run(key, form, () -> pieces.keep(form));
    }

    @PostMapping("/pieces/{id}/end")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable int id) {
        pieces.end(id);
    }

    /** How a school counts its work. @param year whose work the preview looks at; @param seen the setting it goes from */
    record WorkSettingForm(int school, int year, int seen, @NotNull WhichAttempt attempt, boolean late, boolean missingIsZero, double soft, double strong,
            @NotEmpty List<MarkScale.Rung> rungs,
            @Nullable @Size(max = 500, message = "is too long") String because) {}

    @GetMapping("/settings")
    WorkSettingsService.WorkSettingsView settings(@RequestParam int school) {
        return settings.view(school);
    }

    @PostMapping("/settings/preview")
    WorkSettingsService.MarksPreview previewSettings(@Valid @RequestBody WorkSettingForm form) {
        return settings.preview(form);
    }

    @PostMapping("/settings")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void set(@Valid @RequestBody WorkSettingForm form) {
        settings.set(form);
    }
}
