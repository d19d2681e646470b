package org.zealousladder.server.engagement.work;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.function.Function;
import org.springframework.stereotype.Component;
import org.zealousladder.core.criteria.Subject;
import org.zealousladder.core.criteria.Term;
import org.zealousladder.core.criteria.When;
import org.zealousladder.core.work.WorkResult;
import org.zealousladder.core.work.WorkSums;
import org.zealousladder.server.platform.criteria.AnswersTerms;
import org.zealousladder.server.platform.criteria.Asking;
import org.zealousladder.server.platform.criteria.Values;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;

/** Work of this school year, by the day on which it was due; counted as each school counts. */
@Component
class WorkTerms implements AnswersTerms {
    private final WorkService work;
    private final RosterService roster;

    WorkTerms(WorkService work, RosterService roster) {
        this.work = work;
        this.roster = roster;
    }

    @Override
    public Map<Term, How> terms() {
        return Map.of(Term.WORK_NOT_IN, (s, a) -> of(s, a, w -> OptionalDouble.of(w.missing())), Term.SHARE_OF_POINTS,
                (s, a) -> of(s, a, w -> {
                    OptionalDouble share = w.shareEarned();
                    return share.isPresent() ? OptionalDouble.of(100 * share.getAsDouble()) : share;
                }));
    }

    private record Own(Enrolled student, StudentWork work, Setting setting) {}

    private Values of(Subject s, Asking a, Function<WorkSums, OptionalDouble> what) {
        LocalDate from = s.when() instanceof When.Unsaid ? LocalDate.MIN : a.first(s.when());
        // Of nothing said, also what is due later and is in already, as the page of work counts it.
        LocalDate to = s.when() instanceof When.Unsaid ? LocalDate.MAX : a.to(s.when());
        return Values.figured(ids -> {
            Map<Integer, Object> all = new HashMap<>();
            for (Own own : a.once(List.of(WorkTerms.class, ids), () -> own(ids, a))) {
                List<WorkResult> meant = own.work().all().stream().filter(r -> !r.due().isBefore(from) && !r.due().isAfter(to)).toList();
                if (!meant.isEmpty()) {
                    what.apply(WorkSums.of(meant, a.asOf(), own.setting().counting())).ifPresent(v -> all.put(own.student().id(), v));
                }
            }
            return all;
        });
    }

    private List<Own> own(List<Integer> ids, Asking a) {
        return roster.byYear(ids, a.asOf()).entrySet().stream().flatMap(y -> {
            WorkBook book = work.of(y.getValue(), y.getKey(), a.asOf());
            return y.getValue().stream().filter(e -> book.students().containsKey(e.id()))
                    .map(e -> new Own(e, java.util.Objects.requireNonNull(book.students().get(e.id())), book.of(e.schoolId())));
        }).toList();
    }
}
