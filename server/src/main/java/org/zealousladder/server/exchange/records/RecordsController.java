package org.zealousladder.server.exchange.records;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.exchange.records.matching.Matching;
import org.zealousladder.server.exchange.records.matching.Matchings;
import org.zealousladder.server.platform.downloads.Download;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.Forms;
import org.zealousladder.server.platform.files.TableDescription;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.undoing.Undoing;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.Who;
import tools.jackson.databind.json.JsonMapper;

/** Bringing files in and taking scores out. A file is sent as the body of the request, so that it is streamed. */
@RestController
class RecordsController {
    private static final List<Column> REFUSED = List.of(Column.of("row", Column.Type.WHOLE), Column.of("column", Column.Type.TEXT),
            Column.optional("value", Column.Type.TEXT), Column.of("what would be right", Column.Type.TEXT));

    private final ImportService imports;
    private final ImportTurns turns;
    private final ExportService exports;
    private final ImportKinds kinds;
    private final Matchings matchings;
    private final SubjectsService subjects;
    private final Undoing undoing;
    private final JsonMapper json;

    RecordsController(ImportService imports, ImportTurns turns, ExportService exports, ImportKinds kinds, Matchings matchings, SubjectsService subjects,
            Undoing undoing, JsonMapper json) {
        this.json = json;
        this.undoing = undoing;
        this.subjects = subjects;
        this.matchings = matchings;
        this.imports = imports;
        this.turns = turns;
        this.exports = exports;
        this.kinds = kinds;
    }

    /** A kind of file that the viewer may bring in, with the columns it needs and those it may have. */
    record FileKind(String kind, String label, List<String> columns, List<String> optional) {}

    @GetMapping("/api/records/kinds")
    List<FileKind> kinds() {
        Viewer.Role role = Viewer.current().role();
        return kinds.all().stream().filter(k -> k.least().compareTo(role) <= 0).map(k -> new FileKind(k.code(), k.label(),
                k.columns().stream().filter(Column::required).map(Column::name).toList(),
                k.columns().stream().filter(c -> !c.required()).map(Column::name).toList())).toList();
    }

    /** What stands in a file of a kind, as CSV on the Web describes tables. */
    @GetMapping(path = "/api/records/kinds/{kind}-metadata.json", produces = TableDescription.MEDIA_TYPE)
    ResponseEntity<String> description(@PathVariable String kind) {
        var described = kinds.all().stream().filter(k -> k.code().equals(kind)).findFirst()
                .orElseThrow(() -> Refusal.notFound("There is no kind of file called so."));
        return ResponseEntity.ok().header("Content-Disposition", "attachment; filename=\"" + kind + ".csv-metadata.json\"")
                .body(TableDescription.of(json, kind + ".csv", described.label(), described.columns()));
    }

    @GetMapping("/api/records/subjects")
    List<SubjectsService.TableSubject> subjects() {
        return subjects.subjects();
    }

    /** @param with the preview to which one more file is added */
    @PostMapping(path = "/api/records/imports", consumes = "application/octet-stream")
    @io.swagger.v3.oas.annotations.parameters.RequestBody(content = @io.swagger.v3.oas.annotations.media.Content(mediaType = "application/octet-stream",
            schema = @io.swagger.v3.oas.annotations.media.Schema(type = "string", format = "binary")))
    ImportService.Preview preview(@RequestParam String name, @RequestParam(required = false) @Nullable Long with,
            @io.swagger.v3.oas.annotations.Parameter(hidden = true) HttpServletRequest request) throws IOException {
        if (request.getContentLengthLong() > ImportService.LIMIT) {
            throw ImportService.tooLarge();
        }
        String shown = name.length() > 200 ? name.substring(0, 200) : name;
        // The sender may take as long as it likes: only when all is here, a turn and a connection are taken.
        try (ReceivedFile file = ReceivedFile.receive(request.getInputStream())) {
            return turns
                    .inTurn(progress -> with == null ? imports.preview(shown, file.path(), progress) : imports.previewWith(with, shown, file.path(), progress));
        }
    }

    /** @param preview absent when nothing waits */
    record FileWaiting(ImportService.@Nullable Preview preview) {}

    /** What the viewer looked at last and has neither taken nor left. */
    @GetMapping("/api/records/imports/waiting")
    FileWaiting waiting() {
        return new FileWaiting(imports.waiting().orElse(null));
    }

    /** What a previewed file would do, read in another way. */
    @PostMapping("/api/records/imports/{id}/forms")
    ImportService.Preview readAs(@PathVariable long id, @Valid @RequestBody ReadAs form) {
        return turns.inTurn(progress -> imports.readAs(id, form.file() == null ? 0 : form.file(), form.how(), progress));
    }

    /**
     * How a file is to be read.
     *
     * @param file its number among those of the preview; absent: the first
     * @param forms absent: as it looks
     * @param sheet of a workbook
     * @param matching absent: as its headings tell
     */
    record ReadAs(@Nullable @Min(0) Integer file, @Nullable @Valid FormsForm forms, @Nullable @Size(max = 100) String sheet,
            @Nullable @Valid MatchingForm matching) {
        How how() {
            return new How(forms == null ? null : new Forms(forms.letters(), forms.between(), forms.days(), forms.decimals()), sheet,
                    matching == null ? null : matching.matching(), null, false);
        }
    }

    record FormsForm(@NotNull Forms.Letters letters, @NotNull Forms.Between between, @NotNull Forms.DayForm days, @NotNull Forms.Decimals decimals) {}

    /** What a table's columns, words and names mean; see {@link Matching}. */
    record MatchingForm(@Nullable @Size(max = 40) String subject, @NotNull @Size(max = 1000) List<@Valid UseForm> columns,
            @NotNull @Size(max = 50) Map<@Size(max = 40) String, @Size(max = 200) String> fixed,
            @NotNull @Size(max = 50) Map<@Size(max = 40) String, @Size(max = 500) Map<@Size(max = 200) String, @Size(max = 200) String>> words,
            @NotNull @Size(max = 50) Map<@Size(max = 40) String, @Size(max = 500) Map<@Size(max = 300) String, @Size(max = 200) String>> names) {
        Matching matching() {
            return new Matching(subject, columns.stream().map(u -> new Matching.Use(u.heading(), u.field(), u.with())).toList(), fixed, words, names);
        }
    }

    record UseForm(@NotNull @Size(max = 500) String heading, @Nullable @Size(max = 40) String field,
            @NotNull @Size(max = 10) Map<@Size(max = 40) String, @Size(max = 200) String> with) {}

    /** @param reason why it is undone */
    record UndoForm(@NotNull @Size(max = 500) String reason) {}

    /** What was brought in or done to many at once, the newest first. */
    @GetMapping("/api/records/done")
    List<Undoing.Done> done() {
        return undoing.list();
    }

    @PostMapping("/api/records/done/{id}/undo")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void undo(@PathVariable long id, @Valid @RequestBody UndoForm form) {
        undoing.undo(id, form.reason());
    }

    @GetMapping("/api/records/matchings")
    List<Matchings.KeptMatching> matchings() {
        return matchings.all();
    }

    @GetMapping(path = "/api/records/matchings/{id}.json", produces = "application/csvm+json")
    ResponseEntity<String> matching(@PathVariable long id) {
        return ResponseEntity.ok().header("Content-Disposition", "attachment; filename=\"matching-" + id + "-metadata.json\"").body(matchings.description(id));
    }

    @DeleteMapping("/api/records/matchings/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void forget(@PathVariable long id) {
        matchings.forget(id);
    }

    /** @param manyEnd whether more than one in ten of a kind may be ended because a roster no longer has them */
    @PostMapping("/api/records/imports/{id}/acceptance")
    ImportResult accept(@PathVariable long id, @RequestParam(defaultValue = "false") boolean manyEnd) {
        return turns.inTurn(progress -> imports.accept(id, manyEnd, progress));
    }

    /**
     * Where the viewer's file is while its preview or its taking is waited for.
     *
     * @param ahead files of others that come first; null once it is being read
     * @param step what is being done with it; null while it waits, or when there is none
     * @param share of the step, from 0 to 1, while the file is being read
     */
    record FileTurn(boolean any, @Nullable Integer ahead, ImportProgress.@Nullable Step step, @Nullable Float share) {}

    @GetMapping("/api/records/imports/turn")
    FileTurn turn() {
        return turns.place().map(p -> p.step() == null ? new FileTurn(true, p.ahead(), null, null)
                : new FileTurn(true, null, p.step(), p.step() == ImportProgress.Step.READING ? p.share() : null))
                .orElse(new FileTurn(false, null, null, null));
    }

    @DeleteMapping("/api/records/imports/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void discard(@PathVariable long id) {
        imports.discard(id);
    }

    @GetMapping(path = "/api/records/imports/{id}/refused.csv", produces = "text/csv")
    ResponseEntity<Resource> refused(@PathVariable long id) {
        return Download.described(Download.csv("refused-rows.csv", rows -> {
            rows.add(REFUSED.stream().map(Column::name).toList());
            imports.refusals(id, r -> rows.add(Integer.toString(r.row()), r.column(), r.value(), r.message()));
        }), "/api/records/refused.csv-metadata.json");
    }

    /** What stands in it, as CSV on the Web describes tables. */
    @GetMapping(path = "/api/records/refused.csv-metadata.json", produces = TableDescription.MEDIA_TYPE)
    ResponseEntity<String> refusedDescription() {
        return ResponseEntity.ok().header("Content-Disposition", "attachment; filename=\"refused-rows.csv-metadata.json\"")
                .body(TableDescription.of(json, "refused-rows.csv", "Rows that were refused", REFUSED));
    }

    /** The refused rows as they stand in the file, with what is wrong in a column more. */
    @GetMapping(path = "/api/records/imports/{id}/rows-to-repair.csv", produces = "text/csv")
    ResponseEntity<Resource> toRepair(@PathVariable long id, @RequestParam(defaultValue = "0") int file) {
        return Download.csv("rows-to-repair.csv", rows -> imports.refusedRows(id, file, rows));
    }

    @GetMapping(path = "/api/records/scores.csv", produces = "text/csv")
    ResponseEntity<Resource> scores(@RequestParam String who, @RequestParam(required = false) @Nullable Integer measure, @RequestParam int year,
            @RequestParam LocalDate asOf, @RequestParam(required = false) @Nullable List<Integer> students) {
        Who of = Who.parse(who);
        return Download.described(
                Download.csv("scores-" + asOf + ".csv", rows -> exports.write(of, measure, year, asOf, students == null ? List.of() : students, rows)),
                "kinds/scores-metadata.json");
    }
}
