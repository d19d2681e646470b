package org.zealousladder.server.learning.checks;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.learning.answers.AnswerKeeping;
import org.zealousladder.server.platform.once.OnceService;
import org.zealousladder.server.school.roster.Who;

/** Checks, from building them to what follows. */
@RestController
@RequestMapping("/api/checks")
class ChecksController {
    private final ChecksService checks;
    private final AfterService after;
    private final SignInCardsService cards;
    private final Feeding feeding;
    private final OnceService once;

    ChecksController(ChecksService checks, AfterService after, SignInCardsService cards, Feeding feeding, OnceService once) {
        this.checks = checks;
        this.after = after;
        this.cards = cards;
        this.feeding = feeding;
        this.once = once;
    }

    @GetMapping
    ChecksView checks(@RequestParam String who, @RequestParam int year) {
        return checks.view(Who.parse(who), year);
    }

    @GetMapping("/{id}")
    ChecksView.CheckOpen check(@PathVariable int id) {
        return checks.open(id);
    }

    /** A check, or a giving, that was made. */
    record MadeCheck(int id) {}

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    MadeCheck add(@Valid @RequestBody ChecksView.CheckForm f, @RequestHeader(name = OnceService.KEY, required = false) @Nullable String key) {
        return once.answer(key, f, MadeCheck.class, () -> new MadeCheck(checks.add(f)));
    }

    @PutMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(@PathVariable int id, @Valid @RequestBody ChecksView.CheckForm f) {
        checks.change(id, f);
    }

    @PostMapping("/{id}/end")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable int id) {
        checks.end(id);
    }

    @PostMapping("/{id}/give")
    @ResponseStatus(HttpStatus.CREATED)
    MadeCheck give(@PathVariable int id, @Valid @RequestBody ChecksView.GiveForm f,
            @RequestHeader(name = OnceService.KEY, required = false) @Nullable String key) {
        return once.answer(key, f, MadeCheck.class, () -> new MadeCheck(checks.give(id, f)));
    }

    @GetMapping("/given/{id}")
    ChecksView.Live live(@PathVariable int id) {
        return checks.live(id);
    }

    @PutMapping("/given/{id}/answers")
    AnswerKeeping.Kept type(@PathVariable int id, @Valid @RequestBody ChecksView.PaperForm f) {
        return checks.type(id, f);
    }

    /** Whose sittings are done. */
    record DoneForm(@NotNull List<Integer> students) {}

    @PostMapping("/given/{id}/done")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void finish(@PathVariable int id, @Valid @RequestBody DoneForm f) {
        feeding.feed(checks.finish(id, f.students()));
    }

    @PostMapping("/given/{id}/end")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endGiving(@PathVariable int id) {
        checks.endGiving(id);
    }

    /** Another last day. */
    record LastDay(@NotNull LocalDate ends) {}

    @PutMapping("/given/{id}/ends")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void lasts(@PathVariable int id, @Valid @RequestBody LastDay f) {
        checks.lasts(id, f.ends());
    }

    /** What follows: bands, skills, groups, a page for each student. */
    @GetMapping("/given/{id}/after")
    After after(@PathVariable int id) {
        return after.after(id);
    }

    /** @param sittings in how many it counts otherwise now */
    record Decided(int sittings) {}

    @PostMapping("/worth")
    Decided decide(@Valid @RequestBody ChecksView.WorthForm f) {
        List<Long> moved = checks.decide(f);
        feeding.feed(moved);
        return new Decided(moved.size());
    }

    @GetMapping("/cards")
    SignInCardsService.Cards cards(@RequestParam("class") int classId) {
        return cards.view(classId);
    }

    /** @param students whose cards are made anew; null: of all who have none */
    record CardsForm(int classId, @Nullable List<Integer> students) {}

    @PostMapping("/cards")
    SignInCardsService.Cards make(@Valid @RequestBody CardsForm f) {
        return cards.make(f.classId(), f.students());
    }
}
