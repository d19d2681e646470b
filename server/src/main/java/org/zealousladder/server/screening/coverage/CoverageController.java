package org.zealousladder.server.screening.coverage;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.platform.downloads.Download;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.TableDescription;
import org.zealousladder.server.school.roster.Who;
import tools.jackson.databind.json.JsonMapper;

/** Coverage of a screening window. */
@RestController
class CoverageController {
    private static final List<Column> UNTESTED = List.of(Column.of("student", Column.Type.TEXT), Column.of("name", Column.Type.TEXT).emptyAllowed(),
            Column.of("class", Column.Type.TEXT), Column.of("measure", Column.Type.TEXT), Column.of("window", Column.Type.TEXT),
            Column.choice("status", true, OwedKind.class), Column.optional("make_up", Column.Type.DATE));

    private final CoverageService coverage;

    private final JsonMapper json;

    CoverageController(CoverageService coverage, JsonMapper json) {
        this.json = json;
        this.coverage = coverage;
    }

    /** A student and a measure on which a score is owed. */
    record Owed(int studentId, int measureId) {}

    /** @param onDay absent: the day set before is taken back */
    record MakeUpForm(@NotNull List<Owed> owed, int windowId, @Nullable LocalDate onDay) {}

    @GetMapping("/api/coverage")
    CoverageView coverage(@RequestParam String who, @RequestParam int year, @RequestParam(required = false) @Nullable Integer window,
            @RequestParam LocalDate asOf) {
        return coverage.view(Who.parse(who), year, window, asOf);
    }

    @GetMapping(path = "/api/coverage/untested.csv", produces = "text/csv")
    ResponseEntity<Resource> untested(@RequestParam String who, @RequestParam int year, @RequestParam(required = false) @Nullable Integer window,
            @RequestParam LocalDate asOf, @RequestParam(required = false, defaultValue = "false") boolean codes) {
        CoverageView view = coverage.view(Who.parse(who), year, window, asOf);
        return Download.described(Download.csv("untested-" + asOf + ".csv", rows -> {
            rows.add(UNTESTED.stream().map(Column::name).toList());
            view.untested().forEach(u -> rows.add(u.student().code(), codes ? "" : u.student().name(), u.student().className(),
                    u.measure(), view.window().name(), u.status().code(), u.makeUp() == null ? "" : u.makeUp().toString()));
        }), "untested.csv-metadata.json");
    }

    /** What stands in it, as CSV on the Web describes tables. */
    @GetMapping(path = "/api/coverage/untested.csv-metadata.json", produces = TableDescription.MEDIA_TYPE)
    ResponseEntity<String> untestedDescription() {
        return ResponseEntity.ok().header("Content-Disposition", "attachment; filename=\"untested.csv-metadata.json\"")
                .body(TableDescription.of(json, "untested.csv", "Students without a score they should have", UNTESTED));
    }

    @PostMapping("/api/coverage/make-ups")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void makeUp(@Valid @RequestBody MakeUpForm form) {
        coverage.setMakeUp(form.owed().stream().map(Owed::studentId).toList(), form.owed().stream().map(Owed::measureId).toList(),
                form.windowId(), form.onDay());
    }
}
