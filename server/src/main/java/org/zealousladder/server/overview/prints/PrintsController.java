package org.zealousladder.server.overview.prints;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.overview.papers.PapersBegun;
import org.zealousladder.server.overview.papers.PapersService;

/** Students' courses on paper. */
@RestController
@RequestMapping("/api/prints")
class PrintsController {
    private final PapersService papers;
    private final PrintsPapers maker;
    private final PrintWordsService words;

    PrintsController(PapersService papers, PrintsPapers maker, PrintWordsService words) {
        this.papers = papers;
        this.maker = maker;
        this.words = words;
    }

    /** @param usual whether it stands there unless somebody chooses */
    record SectionChoice(PrintSection section, String title, boolean usual) {}

    record KindChoice(PrintKind kind, List<SectionChoice> sections) {}

    /** @param second the school's other language; null where it has none @param missing how many phrases stay English in it */
    record PrintChoices(List<KindChoice> kinds, @Nullable String second, int missing) {}

    @GetMapping("/choices")
    PrintChoices choices(@RequestParam int school) {
        PrintWords own = words.of(school);
        return new PrintChoices(Arrays.stream(PrintKind.values()).map(k -> new KindChoice(k, PrintSection.of(k).stream()
                .map(s -> new SectionChoice(s, s.title().english(), PrintSection.usual(k).contains(s))).toList())).toList(), own.name(), own.missing());
    }

    /** @param second whether the fixed words are in the school's other language @param codes whether names are hidden */
    record PrintForm(@NotNull PrintKind kind, @NotBlank @Size(max = 2000) String whose,
            @NotEmpty(message = "choose at least one section") List<PrintSection> sections,
            boolean second, @NotNull LocalDate asOf, boolean codes) {}

    @PostMapping
    PapersBegun print(@Valid @RequestBody PrintForm f) {
        return new PapersBegun(
                papers.begin(maker, new PrintAsked(f.kind(), f.whose(), f.sections().stream().filter(PrintSection.of(f.kind())::contains).toList(),
                        f.second(), f.asOf(), f.codes())));
    }

    @GetMapping("/words")
    PrintWords words(@RequestParam int school) {
        return words.of(school);
    }

    @PutMapping("/words")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void keep(@RequestParam int school, @Valid @RequestBody PrintWords.PrintWordsForm form) {
        words.keep(school, form);
    }
}
