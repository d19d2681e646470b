package org.zealousladder.server.learning.answers;

import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.skills.SkillSettings;
import org.zealousladder.core.skills.SkillStanding;
import org.zealousladder.core.skills.SkillTally;
import org.zealousladder.server.school.roster.Enrolled;

/** Where students stand on skills, and the answers it is known from. */
@Service
@Transactional(readOnly = true)
public class AnswersService {
    private static final LocalDate EVER = LocalDate.of(1990, 1, 1);

    private final AnswersStore store;

    AnswersService(AnswersStore store) {
        this.store = store;
    }

    /** What students did on skills, day by day, from which their standing on any day up to {@code asOf} follows. */
    public static final class Evidence {
        private final Map<Integer, Map<Integer, List<DayCount>>> days;
        private final Map<Integer, SkillSettings> settings;

        private Evidence(List<DayCount> days, Map<Integer, SkillSettings> settings) {
            this.days = days.stream().collect(Collectors.groupingBy(DayCount::student, Collectors.groupingBy(DayCount::skill)));
            this.settings = settings;
        }

        /** As their school means it. */
        public SkillSettings settings(Enrolled student) {
            return settings.getOrDefault(student.schoolId(), SkillSettings.USUAL);
        }

        /** By skill; a skill without an answer is missing. */
        public Map<Integer, SkillStanding> of(Enrolled student, LocalDate on) {
            return of(student, on, settings(student));
        }

        /** As {@link #of(Enrolled, LocalDate)}, meant otherwise. */
        public Map<Integer, SkillStanding> of(Enrolled student, LocalDate on, SkillSettings by) {
            Map<Integer, SkillStanding> all = new HashMap<>();
            days.getOrDefault(student.id(), Map.of()).forEach((skill, rows) -> {
                SkillTally tally = new SkillTally();
                rows.stream().filter(d -> d.day() <= on.toEpochDay()).forEach(d -> tally.add(d.n(), d.shares(), d.day(), by.halfLife()));
                if (tally.answers() > 0) {
                    all.put(skill, tally.on(on.toEpochDay(), by));
                }
            });
            return all;
        }
    }

    /** @param frameworks whose skills are looked at */
    public Evidence evidence(Collection<Enrolled> students, Collection<Integer> frameworks, LocalDate asOf) {
        return evidence(students, frameworks, EVER, asOf);
    }

    /** @param from answers before are left out */
    public Evidence evidence(Collection<Enrolled> students, Collection<Integer> frameworks, LocalDate from, LocalDate asOf) {
        return new Evidence(store.days(ids(students), frameworks, from, asOf), settings(asOf));
    }

    /** What a student did on a skill on a day. @param shares sum of the shares of the points */
    public record DayCount(int student, int skill, long day, int n, double shares) {}

    /** Answers on the skills of a framework, day by day. @param from null: from the first on */
    public List<DayCount> counts(Collection<Enrolled> students, int framework, @Nullable LocalDate from, LocalDate to) {
        return store.days(ids(students), List.of(framework), from == null ? EVER : from, to);
    }

    /** As {@link #counts(Collection, int, LocalDate, LocalDate)}, on several frameworks. */
    public List<DayCount> counts(Collection<Enrolled> students, Collection<Integer> frameworks, LocalDate from, LocalDate to) {
        return store.days(ids(students), frameworks, from, to);
    }

    /** Answers of a student on a skill of which the time is on record. @param shares sum of the shares of the points */
    public record Timed(int student, int skill, int n, double shares, double seconds) {}

    /** Between two days, both included, as known on the second. */
    public List<Timed> timed(Collection<Enrolled> students, Collection<Integer> frameworks, LocalDate from, LocalDate to) {
        return store.timed(ids(students), frameworks, from, to);
    }

    private static List<Integer> ids(Collection<Enrolled> students) {
        return students.stream().map(Enrolled::id).toList();
    }

    /** In the order in which they were given. @param skill null: on every skill @param check null: of every check */
    public List<Answer> answers(Collection<Enrolled> students, @Nullable Integer skill, @Nullable Integer check, LocalDate asOf) {
        return store.answers(ids(students), skill, check, asOf);
    }

    /** A check that some students took. @param last day on which it was */
    public record Taken(int check, String name, LocalDate last, int students) {}

    public List<Taken> taken(Collection<Enrolled> students, LocalDate asOf) {
        return store.taken(ids(students), asOf);
    }

    /** The viewer's students who ever answered an item. */
    public List<Integer> answerers(int item) {
        return store.answerers(item);
    }

    /** Median seconds of whoever among the viewer's students ever answered an item. */
    public Map<Integer, Double> usualSeconds(Collection<Integer> items) {
        return store.usualSeconds(items).stream().collect(Collectors.toMap(AnswersStore.Usual::item, AnswersStore.Usual::seconds));
    }

    /** @param skill null: on every skill */
    public List<Seen> seen(Collection<Enrolled> students, @Nullable Integer skill, LocalDate asOf) {
        return store.seen(ids(students), skill, asOf);
    }

    /** By school, where one has said so. */
    Map<Integer, SkillSettings> settings(LocalDate asOf) {
        return store.settings(asOf).stream().collect(Collectors.toMap(AnswersStore.SettingRow::schoolId, AnswersStore.SettingRow::settings));
    }

    /** What a school means by having a skill. */
    public SkillSettings settings(int school, LocalDate asOf) {
        return settings(asOf).getOrDefault(school, SkillSettings.USUAL);
    }
}
