package org.zealousladder.server.overview.find;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.util.Arrays;
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
import org.zealousladder.core.criteria.Asked;
import org.zealousladder.core.criteria.Noun;
import org.zealousladder.core.criteria.Term;
import org.zealousladder.core.criteria.When;
import org.zealousladder.server.platform.downloads.Download;
import org.zealousladder.server.platform.problems.Refusal;

/** Finding students. */
@RestController
class FindController {
    private final FindService find;

    FindController(FindService find) {
        this.find = find;
    }

    @PostMapping("/api/find")
    FindView find(@Valid @RequestBody FindAsk ask) {
        return find.view(ask);
    }

    /**
     * A term as it is offered.
     *
     * @param group what it is about, in words
     * @param about whose name it wants; null: none
     * @param needsAbout whether it must be said
     * @param kind yes-no, number, percent, one-of or named
     * @param words of one-of
     * @param named of named: whose name
     * @param times which times it can be asked with
     */
    record FindTerm(String code, String words, String lead, String group, @Nullable Noun about, boolean needsAbout, String kind, List<String> values,
            @Nullable Noun named, List<When.Kind> times) {}

    /** Names of a kind, as they are written in a criterion. */
    record FindNames(Noun noun, List<String> names) {}

    record FindWords(List<FindTerm> terms, List<FindNames> names) {}

    /** All that a criterion can speak of. */
    @GetMapping("/api/find/words")
    FindWords words() {
        return new FindWords(Arrays.stream(Term.values()).map(FindController::term).toList(), Arrays.stream(Noun.values()).filter(n -> n != Noun.GROUPING_VALUE)
                .map(n -> new FindNames(n, find.names(n, null))).toList());
    }

    /** Values of a grouping. */
    @GetMapping("/api/find/values")
    List<String> values(@RequestParam String grouping) {
        return find.names(Noun.GROUPING_VALUE, grouping);
    }

    private static FindTerm term(Term t) {
        Asked a = t.asked();
        String kind = a instanceof Asked.YesNo ? "yes-no"
                : a instanceof Asked.Number n ? (n.percent() ? "percent" : "number") : a instanceof Asked.OneOf ? "one-of" : "named";
        return new FindTerm(t.code(), t.words(), t.lead().words(), group(t), t.about(), t.needsAbout(), kind,
                a instanceof Asked.OneOf o ? o.words() : List.of(),
                a instanceof Asked.Named n ? n.noun() : null, List.copyOf(t.times()));
    }

    private static String group(Term t) {
        if (t.compareTo(Term.SCORE) < 0) {
            return "Where they are";
        } else if (t.compareTo(Term.IMPROVEMENT) < 0) {
            return "Scores and screening";
        } else if (t.compareTo(Term.DAYS_ABSENT) < 0) {
            return "Monitoring and plans";
        }
        return t.compareTo(Term.SKILL) < 0 ? "Days, time, work and contacts" : "Skills";
    }

    /** @param format csv or xlsx @param codes whether names are hidden */
    record FindExportForm(@Valid @NotNull FindAsk ask, @NotBlank String format, boolean codes) {}

    @PostMapping(path = "/api/find/export", produces = {MediaType.APPLICATION_OCTET_STREAM_VALUE, "text/csv"})
    ResponseEntity<Resource> export(@Valid @RequestBody FindExportForm form) {
        FindExport export = new FindExport(find.export(form.ask()), form.codes());
        return switch (form.format()) {
            case "csv" -> Download.csv("found.csv", export::csv);
            case "xlsx" -> Download.of("found.xlsx", Download.XLSX, export::xlsx);
            default -> throw Refusal.invalid("format", "A table is taken out as csv or xlsx.");
        };
    }
}
