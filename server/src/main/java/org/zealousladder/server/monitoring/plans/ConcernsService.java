package org.zealousladder.server.monitoring.plans;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.RosterService;

/** Areas of concern: set by a person, kept when they change. */
@Service
public class ConcernsService {
    private final ConcernsStore store;
    private final RosterService roster;
    private final SchoolCalendar calendar;

    ConcernsService(ConcernsStore store, RosterService roster, SchoolCalendar calendar) {
        this.store = store;
        this.roster = roster;
        this.calendar = calendar;
    }

    /** Concerns as known on a day, also those taken back (level 0); of all areas when {@code area} is null. */
    @Transactional(readOnly = true)
    public List<Concern> knownOn(Collection<Integer> students, @Nullable String area, LocalDate asOf) {
        return students.isEmpty() ? List.of() : store.knownOn(students, area, asOf);
    }

    /** Areas that a concern can be in: those of the measures, and the school's own that are in use. */
    @Transactional(readOnly = true)
    public List<String> areas(Collection<Measure> measures) {
        return Stream.concat(measures.stream().map(Measure::area), store.areas().stream()).distinct().sorted().toList();
    }

    /** @param seen the concern that was on the screen, null for none */
    @Transactional
    public void put(int student, String area, int level, @Nullable String note, @Nullable Long seen) {
        roster.requireStudent(student);
        if (level < 0 || level > 3) {
            throw Refusal.invalid("level", "A level of concern is 0, 1, 2 or 3.");
        }
        if (area.isBlank()) {
            throw Refusal.invalid("area", "Say in which area.");
        }
        boolean stands = Objects.equals(store.current(student, area.strip()).orElse(null), seen);
        try {
            if (!stands || !store.put(new ConcernsStore.NewConcern(student, area.strip(), level, Words.orNull(note), Viewer.current().id()), seen,
                    calendar.today())) {
                throw overtaken();
            }
        } catch (DuplicateKeyException e) {
            throw overtaken();
        }
    }

    /** @param set whom it was set for @param kept how many had one in the area, or were said to need none, and keep that */
    public record ConcernsSet(List<Integer> set, int kept) {}

    /**
     * The same concern for many, but for those of whom something was said in the area before.
     *
     * @param save false: only looks for whom it would be
     */
    @Transactional
    ConcernsSet putAll(PlansController.ConcernsForm f) {
        Set<Integer> students = Set.copyOf(f.students());
        roster.requireStudents(students);
        if (f.level() < 1 || f.level() > 3) {
            throw Refusal.invalid("level", "Choose how much it worries you: 1, 2 or 3.");
        }
        String area = f.area().strip();
        Set<Integer> said = store.knownOn(students, area, calendar.today()).stream().map(Concern::studentId).collect(Collectors.toSet());
        List<Integer> whom = students.stream().filter(s -> !said.contains(s)).sorted().toList();
        if (f.save()) {
            whom = store.putAll(whom, new ConcernsStore.NewConcern(0, area, f.level(), Words.orNull(f.note()), Viewer.current().id()), calendar.today())
                    .stream()
                    .map(ConcernsStore.SetConcern::studentId).sorted().toList();
        }
        return new ConcernsSet(whom, students.size() - whom.size());
    }

    /** Takes back a concern that was set for many, where it still stands as the viewer set it today. @return of how many */
    @Transactional
    int takeBack(Collection<Integer> students, String area) {
        roster.requireStudents(Set.copyOf(students));
        return store.takeBack(students, area.strip(), Viewer.current().id(), calendar.today());
    }

    private static Refusal overtaken() {
        return Refusal.conflict("Somebody else has set this concern meanwhile. Yours was not saved; look at theirs first.");
    }
}
