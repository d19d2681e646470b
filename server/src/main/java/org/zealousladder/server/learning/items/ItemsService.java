package org.zealousladder.server.learning.items;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;

/** The bank of items, and the checks they stand in. */
@Service
@Transactional
public class ItemsService {
    private final ItemsStore store;

    ItemsService(ItemsStore store) {
        this.store = store;
    }

    /** By id; one that is not the viewer's to see is missing. */
    @Transactional(readOnly = true)
    public Map<Integer, Item> items(Collection<Integer> ids) {
        return ids.isEmpty() ? Map.of() : store.items(ids).stream().collect(Collectors.toMap(Item::id, Function.identity()));
    }

    /** By id. */
    @Transactional(readOnly = true)
    public Map<Integer, Check> checks(Collection<Integer> ids) {
        return ids.isEmpty() ? Map.of() : store.checks(ids).stream().collect(Collectors.toMap(Check::id, Function.identity()));
    }

    /** Of every school and of {@code school}, the oldest first. */
    @Transactional(readOnly = true)
    public List<Check> checks(int school) {
        List<Integer> ids = store.checkIds(school);
        return ids.isEmpty() ? List.of() : store.checks(ids);
    }

    /** Whether the viewer may write items of a school; null: of every school. */
    public boolean mayWrite(@Nullable Integer school) {
        return store.mayWrite(school);
    }

    /** Skills of an item that were mended. */
    public record Mending(List<Integer> before, List<Integer> after, @Nullable String because, java.time.LocalDate day, @Nullable String by) {}

    /** The newest first. */
    @Transactional(readOnly = true)
    public List<Mending> mendings(int item) {
        return store.mendings(item);
    }

    /** Puts a mending on record. @param because null where nobody had answered it */
    public void noteMending(int item, List<Integer> before, List<Integer> after, @Nullable String because, java.time.LocalDate day) {
        store.noteMending(item, before, after, because, day);
    }

    /** Says which skills an item asks for: what is known of students follows. */
    public void mendSkills(int item, List<Integer> skills) {
        Item i = store.items(List.of(item)).stream().findFirst().orElseThrow(() -> Refusal.notFound("There is no such item."));
        if (!store.mayWrite(i.schoolId())) {
            throw Refusal.forbidden(i.schoolId() == null ? "That item is every school's; an administrator changes it. Nothing was saved."
                    : "Items of another school are not yours to change. Nothing was saved.");
        }
        store.skills(item, skills);
    }
}
