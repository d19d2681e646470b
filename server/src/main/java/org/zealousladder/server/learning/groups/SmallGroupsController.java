package org.zealousladder.server.learning.groups;

import jakarta.validation.Valid;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
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
import org.zealousladder.server.monitoring.plans.PlanForm;
import org.zealousladder.server.platform.once.OnceService;
import org.zealousladder.server.school.roster.Who;

/** Small groups. */
@RestController
@RequestMapping("/api/small-groups")
class SmallGroupsController {
    private final BoardService board;
    private final KeptGroupsService kept;
    private final OnceService once;

    SmallGroupsController(BoardService board, KeptGroupsService kept, OnceService once) {
        this.board = board;
        this.kept = kept;
        this.once = once;
    }

    @GetMapping
    Board.BoardView board(@RequestParam String who, @RequestParam int year, @RequestParam LocalDate asOf,
            @RequestParam(required = false) @Nullable Integer framework,
            @RequestParam(required = false) @Nullable Integer measure, @RequestParam(required = false) @Nullable Integer skill) {
        return board.view(Who.parse(who), year, asOf, framework, measure, skill);
    }

    @PostMapping("/proposal")
    Board.Proposed propose(@Valid @RequestBody Board.Asking asking) {
        return board.propose(asking);
    }

    @PostMapping("/look")
    Board.Proposed look(@Valid @RequestBody Board.Looking looking) {
        return board.look(looking);
    }

    /** What was kept. */
    record KeptId(int id) {}

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    KeptId keep(@Valid @RequestBody Board.KeepForm f, @RequestHeader(name = OnceService.KEY, required = false) @Nullable String key) {
        return once.answer(key, f, KeptId.class, () -> new KeptId(kept.keep(f)));
    }

    @PostMapping("/{id}/end")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable int id) {
        kept.end(id);
    }

    @PutMapping("/{id}/tables/{table}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(@PathVariable int id, @PathVariable int table, @Valid @RequestBody Board.TableChange f) {
        kept.change(id, table, f.leader(), f.atTime());
    }

    @PostMapping("/{id}/tables/{table}/plans")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void plan(@PathVariable int id, @PathVariable int table, @Valid @RequestBody PlanForm f) {
        kept.plan(id, table, f);
    }

    /** @param table null: at none any more */
    record Moving(int student, @Nullable Integer table) {}

    @PutMapping("/{id}/seats")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void move(@PathVariable int id, @Valid @RequestBody Moving m) {
        kept.move(id, m.student(), m.table());
    }

    @PostMapping("/pairs")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void pair(@Valid @RequestBody Board.PairForm f, @RequestHeader(name = OnceService.KEY, required = false) @Nullable String key) {
        once.run(key, f, () -> kept.pair(f));
    }

    @DeleteMapping("/pairs/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void unpair(@PathVariable int id) {
        kept.unpair(id);
    }

    @GetMapping("/worked")
    Board.Worked worked(@RequestParam String who, @RequestParam int year, @RequestParam LocalDate asOf) {
        return board.worked(Who.parse(who), year, asOf);
    }
}
