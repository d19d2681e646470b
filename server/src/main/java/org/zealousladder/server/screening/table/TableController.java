package org.zealousladder.server.screening.table;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.platform.downloads.Download;
import org.zealousladder.server.platform.files.TableDescription;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.SpokenHome;
import org.zealousladder.server.school.roster.Who;
import tools.jackson.databind.json.JsonMapper;

/** The table of all screening scores. */
@RestController
class TableController {
    private final TableService table;
    private final SpokenHome spoken;
    private final JsonMapper json;

    TableController(TableService table, SpokenHome spoken, JsonMapper json) {
        this.spoken = spoken;
        this.json = json;
        this.table = table;
    }

    /**
     * What somebody sees.
     *
     * @param format csv, xlsx, or csv-metadata.json for what stands in the CSV, as CSV on the Web describes tables
     * @param students in the order shown
     * @param columns places in the table's columns, in the order shown
     * @param codes whether names are hidden
     * @param home whether it is shown when home was last spoken to
     */
    record ExportForm(@NotBlank String who, int year, @NotNull LocalDate asOf, @NotBlank String format, @NotNull List<Integer> students,
            @NotNull @Size(max = 200, message = "are at most 200") List<Integer> columns, boolean codes,
            @Nullable Boolean home) {}

    @GetMapping("/api/table")
    TableView table(@RequestParam String who, @RequestParam int year, @RequestParam LocalDate asOf) {
        return table.view(Who.parse(who), year, asOf);
    }

    @PostMapping(path = "/api/table/export", produces = {MediaType.APPLICATION_OCTET_STREAM_VALUE, "text/csv", TableDescription.MEDIA_TYPE})
    ResponseEntity<Resource> export(@Valid @RequestBody ExportForm form) {
        TableExport export = new TableExport(table.view(Who.parse(form.who()), form.year(), form.asOf()), form.students(), form.columns(), form.codes(),
                spoken.of(form.home(), Who.parse(form.who()), form.year(), form.asOf()));
        String name = "screening-" + form.asOf() + "." + form.format();
        return switch (form.format()) {
            case "csv" -> Download.csv(name, export::csv);
            case "xlsx" -> Download.of(name, MediaType.APPLICATION_OCTET_STREAM, export::xlsx);
            case "csv-metadata.json" -> Download.of(name, MediaType.parseMediaType(TableDescription.MEDIA_TYPE), out -> out.write(TableDescription
                    .of(json, name.replace("-metadata.json", ""), "Screening scores", export.declared(), TableExport.words())
                    .getBytes(StandardCharsets.UTF_8)));
            default -> throw Refusal.invalid("format", "The table is taken out as csv or xlsx.");
        };
    }
}
