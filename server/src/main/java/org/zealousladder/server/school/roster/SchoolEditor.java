package org.zealousladder.server.school.roster;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.texts.Slug;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;

/** Adds schools and school years. */
@Service
@Transactional
public class SchoolEditor {
    private static final int SHORTEST_YEAR = 28;
    private static final int LONGEST_YEAR = 400;

    private final RosterStore store;

    SchoolEditor(RosterStore store) {
        this.store = store;
    }

    /** A school, by the code that files know it by. */
    public record SchoolRef(int id, String code, String name) {}

    @Transactional(readOnly = true)
    public List<SchoolRef> schools() {
        return store.schools();
    }

    public int addSchool(String name) {
        administrator("Schools");
        String plain = name.strip();
        List<SchoolRef> all = store.schools();
        if (all.stream().anyMatch(s -> s.name().equalsIgnoreCase(plain))) {
            throw Refusal.conflict("There is a school called " + plain + " already.");
        }
        return store.addSchool(Slug.unused(plain, all.stream().map(SchoolRef::code).toList()), plain);
    }

    /**
     * A year of every school, or one of a single school's own where its days lie otherwise.
     *
     * @param name null: made of its days, like 2025-26
     * @param school null: every school's
     */
    public int addYear(@Nullable String name, LocalDate starts, LocalDate ends, @Nullable Integer school) {
        administrator("School years");
        long days = ChronoUnit.DAYS.between(starts, ends);
        if (days < SHORTEST_YEAR) {
            throw Refusal.invalid("ends", days <= 0 ? "The last day must be after the first." : "A school year is longer than that; check its days.");
        }
        if (days > LONGEST_YEAR) {
            throw Refusal.invalid("ends", "A school year is shorter than that; check its days.");
        }
        store.years().stream().filter(y -> Objects.equals(y.schoolId(), school) && !y.starts().isAfter(ends) && !y.ends().isBefore(starts)).findFirst()
                .ifPresent(y -> {
                    throw Refusal.invalid("starts", "It would overlap " + y.name() + ", " + Words.day(y.starts()) + " to " + Words.day(y.ends()) + ".");
                });
        String at = school == null ? "" : " " + store.schools().stream().filter(s -> s.id() == school).map(SchoolRef::name).findFirst()
                .orElseThrow(() -> Refusal.notFound("There is no such school."));
        String called = name == null || name.isBlank() ? called(starts, ends) + at : name.strip();
        if (store.years().stream().anyMatch(y -> y.name().equalsIgnoreCase(called))) {
            throw Refusal.invalid("name", "There is a school year called " + called + " already.");
        }
        return store.addYear(called, starts, ends, school);
    }

    /** 2025-26, or 2026 for a year within one of the calendar. */
    public static String called(LocalDate starts, LocalDate ends) {
        return starts.getYear() == ends.getYear() ? String.valueOf(starts.getYear()) : starts.getYear() + "-" + String.format("%02d", ends.getYear() % 100);
    }

    private static void administrator(String what) {
        Viewer.administrator(what + " are added by administrators. Nothing was saved.");
    }
}
