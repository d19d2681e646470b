package org.zealousladder.server.overview.find;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.school.lists.KeptList;
import org.zealousladder.server.school.lists.ListForm;
import org.zealousladder.server.school.lists.ListsService;
import org.zealousladder.server.school.roster.StudentRef;

/** KeptListId lists. */
@RestController
class ListsController {
    private final ListsService lists;
    private final LivingLists living;
    private final FindService find;

    ListsController(ListsService lists, LivingLists living, FindService find) {
        this.lists = lists;
        this.living = living;
        this.find = find;
    }

    @GetMapping("/api/find/lists")
    List<KeptList> lists() {
        return lists.lists();
    }

    /** @param students of a list that is picked */
    record KeepListForm(@Valid @NotNull ListForm list, @NotNull @Size(max = 2000, message = "are at most 2000") List<Integer> students) {}

    record KeptListId(int id) {}

    @PostMapping("/api/find/lists")
    @ResponseStatus(HttpStatus.CREATED)
    KeptListId keep(@Valid @RequestBody KeepListForm form) {
        return new KeptListId(living.keep(form.list(), form.students()));
    }

    /** A list with who is on it and who came and left. */
    record ListPage(KeptList list, List<StudentRef> students, List<ListTurned> turns) {}

    /** @param came otherwise left */
    record ListTurned(StudentRef student, LocalDate day, boolean came) {}

    /** As it is on a day; who came and left up to today. */
    @GetMapping("/api/find/lists/{id}")
    ListPage list(@PathVariable int id) {
        List<ListsService.ListTurn> turns = lists.turns(id);
        Map<Integer, StudentRef> names = find.refs(turns.stream().map(ListsService.ListTurn::student).distinct().toList(), living.today()).stream()
                .collect(Collectors.toMap(StudentRef::id, r -> r));
        return new ListPage(lists.list(id), find.refs(lists.members(id, living.today()), living.today()),
                turns.stream().filter(t -> names.containsKey(t.student()))
                        .map(t -> new ListTurned(java.util.Objects.requireNonNull(names.get(t.student())), t.day(), t.came())).toList());
    }

    @PutMapping("/api/find/lists/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(@PathVariable int id, @Valid @RequestBody ListForm form) {
        living.change(id, form);
    }

    @DeleteMapping("/api/find/lists/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable int id) {
        lists.end(id);
    }

    record ListTurnCount(int turned) {}

    /** Brings it up to date. */
    @PostMapping("/api/find/lists/{id}/fresh")
    ListTurnCount fresh(@PathVariable int id) {
        return new ListTurnCount(living.fresh(id));
    }

    record ListPutForm(@NotNull List<Integer> on, @NotNull List<Integer> off) {}

    @PostMapping("/api/find/lists/{id}/students")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void put(@PathVariable int id, @Valid @RequestBody ListPutForm form) {
        lists.put(id, form.on(), form.off());
    }

    record ListWatchForm(boolean on) {}

    /** Whether to be told when somebody new is on it. */
    @PutMapping("/api/find/lists/{id}/watch")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void watch(@PathVariable int id, @RequestBody ListWatchForm form) {
        lists.watch(id, form.on());
    }

    @PostMapping("/api/find/lists/{id}/seen")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void seen(@PathVariable int id) {
        lists.seen(id);
    }
}
