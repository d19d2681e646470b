package org.zealousladder.server.overview.find;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import org.zealousladder.core.criteria.MistakeException;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Rights;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.lists.KeptList;
import org.zealousladder.server.school.lists.ListForm;
import org.zealousladder.server.school.lists.ListsService;
import org.zealousladder.server.school.roster.Who;

/** Brings lists up to date: when they are opened, and all of them before the morning. */
@Service
public class LivingLists {
    private static final Logger LOG = LoggerFactory.getLogger(LivingLists.class);

    private final ListsService lists;
    private final FindService find;
    private final Rights rights;
    private final SchoolCalendar calendar;
    private final TransactionTemplate transaction;

    LivingLists(ListsService lists, FindService find, Rights rights, SchoolCalendar calendar, PlatformTransactionManager transactions) {
        this.lists = lists;
        this.find = find;
        this.rights = rights;
        this.calendar = calendar;
        transaction = new TransactionTemplate(transactions);
    }

    /** Keeps a list: by its criterion, or as it was picked. @throws Refusal 422 for a criterion that is not understood */
    @Transactional
    public int keep(ListForm form, java.util.List<Integer> students) {
        ListForm f = understood(form);
        int id = lists.add(f);
        if (f.criterion() == null) {
            lists.put(id, students, java.util.List.of());
        } else {
            fresh(id);
        }
        return id;
    }

    /** Changes it, and brings it up to date. */
    @Transactional
    public void change(int id, ListForm form) {
        lists.change(id, understood(form));
        if (lists.list(id).living()) {
            fresh(id);
        }
    }

    /** With the criterion as it is always written. */
    private ListForm understood(ListForm f) {
        String criterion = f.criterion();
        if (criterion == null || criterion.isBlank()) {
            return f;
        }
        try {
            return new ListForm(f.name(), find.find(criterion, scope(f.scope()), calendar.today()).text(), f.scope(), f.columns(), f.shared());
        } catch (MistakeException e) {
            throw Refusal.invalid("criterion", "The criterion is not understood: " + e.sentence() + " Nothing was saved.");
        }
    }

    private static @Nullable Who scope(@Nullable String scope) {
        return scope == null || scope.isBlank() ? null : Who.parse(scope);
    }

    /**
     * As whoever may change it sees it: with fewer students in sight others would leave it half done, and its scope may not be theirs.
     *
     * @return how many came and left; for others none
     */
    @Transactional
    public int fresh(int id) {
        KeptList list = lists.list(id);
        String criterion = list.criterion();
        return criterion == null || !list.mayChange() ? 0 : lists.fresh(id, find.find(criterion, scope(list.scope()), calendar.today()).found());
    }

    /** The day on which somebody is on a list today. */
    LocalDate today() {
        return calendar.today();
    }

    /** All that were not today yet, each as its owner sees it; one that cannot be asked any more stays as it was. @return how many came and left */
    public int freshAll() {
        int turned = 0;
        for (ListsService.LivingList l : Viewer.SYSTEM.ask(lists::stale)) {
            try {
                turned += rights.now(l.owner()).map(v -> v.ask(() -> transaction.execute(s -> fresh(l.id())))).orElse(0);
            } catch (Refusal | MistakeException e) {
                LOG.warn("list {} was not brought up to date: {}", l.id(), e.getClass().getSimpleName());
            }
        }
        return turned;
    }
}
