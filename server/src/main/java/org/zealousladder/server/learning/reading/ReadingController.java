package org.zealousladder.server.learning.reading;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
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
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.school.roster.Who;

/** Reading aloud. */
@RestController
@RequestMapping("/api/reading")
class ReadingController {
    private final ReadingService reading;
    private final ReadingKeeping keeping;
    private final PassagesService library;

    ReadingController(ReadingService reading, ReadingKeeping keeping, PassagesService library) {
        this.reading = reading;
        this.keeping = keeping;
        this.library = library;
    }

    @GetMapping
    ReadingViews.ReadingHome home(@RequestParam String who, @RequestParam int year, @RequestParam LocalDate asOf) {
        return reading.home(Who.parse(who), year, asOf);
    }

    /** Reads only: what the marks come to so far. */
    @PostMapping("/outcome")
    ReadingViews.Outcome outcome(@Valid @RequestBody ReadingForm form) {
        return keeping.count(form);
    }

    record KeptReading(long id) {}

    @PostMapping
    KeptReading save(@Valid @RequestBody ReadingForm form) {
        return new KeptReading(keeping.save(form));
    }

    @GetMapping("/{id}")
    ReadingViews.ReadingPair pair(@PathVariable long id, @RequestParam LocalDate asOf) {
        return reading.pair(id, asOf);
    }

    @PostMapping("/{id}/withdrawal")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(@PathVariable long id) {
        keeping.withdraw(id);
    }

    @PostMapping("/{id}/restoration")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void restore(@PathVariable long id) {
        keeping.restore(id);
    }

    record NewQuestion(@NotNull(message = "say what kind of question") Passage.QuestionKind kind,
            @NotBlank(message = "write the question") @Size(max = 300) String question,
            @Min(1) @Max(9) int points) {}

    record NewPassage(int schoolId, @NotBlank(message = "give it a title") @Size(max = 120) String title, @Nullable @Min(0) @Max(13) Integer grade,
            @NotBlank(message = "the text is missing") @Size(max = 20000) String body, @NotNull @Size(max = 20) List<@Valid NewQuestion> questions) {}

    @PostMapping("/passages")
    KeptReading passage(@Valid @RequestBody NewPassage form) {
        return new KeptReading(library.addPassage(form.schoolId(), form.title(), form.grade(), form.body(),
                form.questions().stream().map(q -> new Passage.Question(0, q.kind(), q.question().strip(), q.points())).toList()));
    }

    record PassageState(int schoolId, boolean retired) {}

    @PostMapping("/passages/{id}/state")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void retire(@PathVariable int id, @RequestBody PassageState form) {
        library.retire(id, form.schoolId(), form.retired());
    }

    record BehaviourForm(@Nullable Integer id, int schoolId, @NotBlank(message = "say what is looked for") @Size(max = 120) String name,
            @NotBlank(message = "say what to teach") @Size(max = 500) String teach, boolean retired) {}

    @PostMapping("/behaviours")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void behaviour(@Valid @RequestBody BehaviourForm form) {
        library.saveBehaviour(form.id(), form.schoolId(), form.name(), form.teach(), form.retired());
    }

    record LevelsForm(int schoolId, @NotNull @Size(max = 8) List<ReadingViews.ReadingLevel> levels) {}

    @PostMapping("/levels")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void levels(@Valid @RequestBody LevelsForm form) {
        library.saveLevels(form.schoolId(), form.levels());
    }
}
