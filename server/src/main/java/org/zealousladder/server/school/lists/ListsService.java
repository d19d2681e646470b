package org.zealousladder.server.school.lists;

import java.time.LocalDate;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Who;

/** Keeps lists. Whoever keeps one changes it; the school sees those that are shared. */
@Service
@Transactional
public class ListsService {
    private static final int MOST_TURNS = 500;

    private final ListsStore store;
    private final RosterService roster;
    private final SchoolCalendar calendar;

    ListsService(ListsStore store, RosterService roster, SchoolCalendar calendar) {
        this.store = store;
        this.roster = roster;
        this.calendar = calendar;
    }

    /** All that the viewer sees, by name. */
    @Transactional(readOnly = true)
    public List<KeptList> lists() {
        return store.lists(calendar.today());
    }

    /** @throws Refusal 404 for one that is not there, has ended, or is another's */
    @Transactional(readOnly = true)
    public KeptList list(int id) {
        return store.list(id, calendar.today()).orElseThrow(() -> Refusal.notFound("There is no such list, or it is another person's and not shared."));
    }

    /** @throws Refusal 409 where a list is called that already */
    public int add(ListForm form) {
        ListForm f = form.tidy();
        return once(f, () -> store.add(f, Viewer.current().id(), f.shared() ? school(f) : null, calendar.today()));
    }

    /** @throws Refusal 403 for another's */
    public void change(int id, ListForm form) {
        ListForm f = form.tidy();
        KeptList before = requireOwn(id);
        if (before.living() != (f.criterion() != null)) {
            throw Refusal.invalid("criterion",
                    before.living() ? "This list stays up to date by its criterion: it needs one." : "This list was picked: it has no criterion.");
        }
        once(f, () -> store.change(id, f, f.shared() ? school(f) : null) ? 1 : 0);
    }

    private static int once(ListForm f, java.util.function.IntSupplier work) {
        try {
            return work.getAsInt();
        } catch (DuplicateKeyException e) {
            throw Refusal.conflict("There is a list called " + f.name() + " already. Give this one another name. Nothing was saved.");
        }
    }

    /** Whose list a shared one is: the school of its scope, or else the first of the viewer's. */
    private @Nullable Integer school(ListForm f) {
        return f.scope() == null ? roster.classes().stream().map(c -> c.schoolId()).findFirst()
                .orElseThrow(() -> Refusal.invalid("shared", "There is no school to share it with.")) : Integer.valueOf(roster.school(Who.parse(f.scope())));
    }

    public void end(int id) {
        requireOwn(id);
        store.end(id, calendar.today());
    }

    private KeptList requireOwn(int id) {
        KeptList list = list(id);
        if (!list.mayChange()) {
            throw Refusal.forbidden("This list is " + list.owner() + "'s. Keep one of your own with the same criterion.");
        }
        return list;
    }

    /** Puts students on a list that was picked, and takes others off it. */
    public void put(int id, Collection<Integer> on, Collection<Integer> off) {
        if (requireOwn(id).living()) {
            throw Refusal.invalid("students", "This list stays up to date by its criterion: nobody is put on it by hand.");
        }
        Set<Integer> all = new HashSet<>(on);
        all.addAll(off);
        roster.requireStudents(all);
        store.lock(id);
        store.come(id, on, calendar.today());
        store.go(id, off, calendar.today());
    }

    /**
     * Brings a living list up to date, as far as the viewer sees.
     *
     * @param among the students whom the viewer asked of
     * @param now of those, who is to be on it
     * @return how many came and left
     */
    public int fresh(int id, Collection<Integer> now) {
        store.lock(id);
        LocalDate today = calendar.today();
        Set<Integer> before = new HashSet<>(store.members(id, today));
        Set<Integer> left = new HashSet<>(before);
        left.removeAll(now);
        Set<Integer> come = new HashSet<>(now);
        come.removeAll(before);
        int turned = store.come(id, come, today) + store.go(id, left, today);
        store.fresh(id, today);
        return turned;
    }

    @Transactional(readOnly = true)
    public List<Integer> members(int id, LocalDate on) {
        list(id);
        return store.members(id, on);
    }

    /** A student who came or left. @param came otherwise left */
    public record ListTurn(int student, LocalDate day, boolean came) {}

    @Transactional(readOnly = true)
    public List<ListTurn> turns(int id) {
        list(id);
        return store.turns(id, MOST_TURNS).stream().map(t -> new ListTurn(t.student(), t.day(), t.came())).toList();
    }

    /** The viewer is told from now on when somebody new is on it, or no more. */
    public void watch(int id, boolean on) {
        list(id);
        if (on) {
            store.watch(id, Viewer.current().id());
        } else {
            store.unwatch(id, Viewer.current().id());
        }
    }

    /** The viewer has seen who is on it. */
    public void seen(int id) {
        if (list(id).watched()) {
            store.watch(id, Viewer.current().id());
        }
    }

    /** A watched list with those who are new on it. */
    public record ListNews(int id, String name, List<Integer> students) {}

    /** Lists that the viewer watches and that have somebody new. */
    @Transactional(readOnly = true)
    public List<ListNews> news() {
        return store.lists(calendar.today()).stream().filter(l -> l.watched() && l.news() > 0)
                .map(l -> new ListNews(l.id(), l.name(), store.newcomers(l.id(), Viewer.current().id(), calendar.today()))).toList();
    }

    /** A list that is to be brought up to date. @param owner as whom */
    public record LivingList(int id, int owner) {}

    @Transactional(readOnly = true)
    public List<LivingList> stale() {
        return store.stale(calendar.today()).stream().map(l -> new LivingList(l.id(), l.owner())).toList();
    }
}
