package org.zealousladder.server.learning.skills;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.Interval;
import org.zealousladder.core.summary.Shares;
import org.zealousladder.server.learning.answers.AnswersService;
import org.zealousladder.server.learning.answers.AnswersService.DayCount;
import org.zealousladder.server.learning.frameworks.FrameworksService;
import org.zealousladder.server.learning.frameworks.Skill;
import org.zealousladder.server.learning.skills.Beside.SideBySide;
import org.zealousladder.server.learning.skills.Beside.SideCount;
import org.zealousladder.server.learning.skills.Beside.SideRow;
import org.zealousladder.server.learning.skills.Beside.Topic;
import org.zealousladder.server.learning.skills.Beside.TopicStudent;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.school.roster.Whose;

/** Puts counts of answers side by side. */
@Service
@Transactional(readOnly = true)
class BesideService {
    private final FrameworksService frameworks;
    private final AnswersService answers;
    private final RosterService roster;

    BesideService(FrameworksService frameworks, AnswersService answers, RosterService roster) {
        this.frameworks = frameworks;
        this.answers = answers;
        this.roster = roster;
    }

    /**
     * One side.
     *
     * @param of {@code student-12}, or whose students as everywhere else
     * @param from null: whatever came before {@code to}; @param to null: up to the day looked at
     */
    record Side(String of, @Nullable LocalDate from, @Nullable LocalDate to) {}

    SideBySide sides(int framework, int yearId, LocalDate asked, Side a, Side b) {
        LocalDate asOf = roster.year(yearId).clamp(asked);
        RosterService.Members first = roster.members(Whose.parse(a.of()), asOf);
        RosterService.Members second = roster.members(Whose.parse(b.of()), asOf);
        List<Skill> all = frameworks.skills(List.of(framework));
        List<DayCount> left = counts(first, framework, asOf, a);
        List<DayCount> right = counts(second, framework, asOf, b);
        return new SideBySide(first.title(), second.title(),
                all.stream().map(k -> row(k, count(left, d -> d.skill() == k.id()), count(right, d -> d.skill() == k.id())))
                        .filter(r -> r.first().answers() + r.second().answers() > 0).toList());
    }

    private List<DayCount> counts(RosterService.Members of, int framework, LocalDate asOf, Side side) {
        return answers.counts(of.students(), framework, side.from(), side.to() == null || side.to().isAfter(asOf) ? asOf : side.to());
    }

    private static SideCount count(List<DayCount> all, Predicate<DayCount> those) {
        List<DayCount> own = all.stream().filter(those).toList();
        int n = own.stream().mapToInt(DayCount::n).sum();
        double right = own.stream().mapToDouble(DayCount::shares).sum();
        Interval share = n == 0 ? null : Shares.wilson(Math.min(n, right), n);
        return new SideCount(n, right, (int) own.stream().map(DayCount::student).distinct().count(), share == null ? null : share.value(),
                share == null ? null : share.low(), share == null ? null : share.high());
    }

    private static SideRow row(Skill k, SideCount a, SideCount b) {
        Interval d = a.answers() == 0 || b.answers() == 0 ? null
                : Shares.difference(Math.min(b.answers(), b.right()), b.answers(), Math.min(a.answers(), a.right()), a.answers());
        return new SideRow(k.id(), k.name(), k.domain(), a, b, d == null ? null : d.value(), d == null ? null : d.low(), d == null ? null : d.high(),
                d != null && (d.low() > 0 || d.high() < 0));
    }

    /** @throws Refusal 422 for a topic that ends before it begins */
    Topic topic(Who who, int yearId, LocalDate asked, int framework, int skill, LocalDate from, LocalDate to) {
        if (to.isBefore(from)) {
            throw Refusal.invalid("to", "The topic ends before it begins. Choose another day.");
        }
        LocalDate asOf = roster.year(yearId).clamp(asked);
        List<Enrolled> students = roster.enrolled(who, yearId, asOf);
        double standard = answers.settings(roster.school(who), asOf).standard();
        List<DayCount> all = answers.counts(students, framework, null, asOf).stream().filter(d -> d.skill() == skill).toList();
        Predicate<DayCount> before = d -> d.day() < from.toEpochDay();
        Predicate<DayCount> after = d -> d.day() > to.toEpochDay();
        Predicate<DayCount> during = before.or(after).negate();
        List<TopicStudent> each = students.stream().map(e -> {
            Predicate<DayCount> own = d -> d.student() == e.id();
            SideCount b = count(all, own.and(before));
            SideCount m = count(all, own.and(during));
            SideCount a = count(all, own.and(after));
            return new TopicStudent(e.ref(), b.answers(), b.share(), m.answers(), m.share(), a.answers(), a.share());
        }).sorted(Comparator.comparing(TopicStudent::student, StudentRef.BY_NAME)).toList();
        List<TopicStudent> both = each.stream().filter(s -> s.before() != null && s.after() != null).toList();
        int up = (int) both.stream().filter(s -> requireNonNull(s.before()) < standard && requireNonNull(s.after()) >= standard).count();
        int down = (int) both.stream().filter(s -> requireNonNull(s.before()) >= standard && requireNonNull(s.after()) < standard).count();
        return new Topic(from, to, count(all, before), count(all, during), count(all, after), each, up, down, both.size(),
                both.isEmpty() ? null : Shares.mcNemar(up, down));
    }
}
