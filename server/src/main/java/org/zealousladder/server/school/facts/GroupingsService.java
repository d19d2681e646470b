package org.zealousladder.server.school.facts;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.texts.Slug;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.SetupRights;

/** Which groupings a school keeps. */
@Service
@Transactional
public class GroupingsService {
    private static final String WHAT = "Groupings";
    private static final int SUPPORT = 1;

    private final GroupingsStore store;
    private final SetupRights rights;

    GroupingsService(GroupingsStore store, SetupRights rights) {
        this.store = store;
        this.rights = rights;
    }

    /** Those that the viewer may see. */
    @Transactional(readOnly = true)
    public List<Grouping> all() {
        boolean teacher = Viewer.current().role() == Viewer.Role.TEACHER;
        return store.all().stream().filter(g -> !teacher || !g.sensitive()).toList();
    }

    boolean mayAdd(@Nullable Integer school) {
        return rights.mayChange(school);
    }

    int add(String name, @Nullable Integer school, boolean sensitive) {
        rights.require(school, WHAT);
        List<Grouping> known = store.all();
        requireFree(name, 0, known);
        return store.add(new GroupingsStore.NewGrouping(Slug.unused(name, known.stream().map(Grouping::code).toList()), name.strip(), school, sensitive));
    }

    void change(int id, String name, boolean sensitive, boolean ended) {
        List<Grouping> known = store.all();
        Grouping was = known.stream().filter(g -> g.id() == id).findFirst().orElseThrow(() -> Refusal.notFound("There is no such grouping."));
        rights.require(was.schoolId(), WHAT);
        requireFree(name, id, known);
        if (id == SUPPORT && (sensitive || ended)) {
            throw Refusal.invalid(ended ? "ended" : "sensitive", "Lists show the support beside the name, so it cannot be "
                    + (ended ? "ended." : "hidden from teachers. Keep what is not for them in a grouping of its own."));
        }
        store.change(id, name.strip(), sensitive, ended);
    }

    private static void requireFree(String name, int own, List<Grouping> known) {
        if (name.isBlank()) {
            throw Refusal.invalid("name", "Give it a name.");
        }
        if (known.stream().anyMatch(g -> g.id() != own && g.name().equalsIgnoreCase(name.strip()))) {
            throw Refusal.invalid("name", "There is a grouping of that name already.");
        }
    }
}
