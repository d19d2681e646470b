package org.zealousladder.server.engagement.looks;

import static java.util.Objects.requireNonNull;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.calendar.SchoolDays;
import org.zealousladder.core.engagement.ClassWeeks;
import org.zealousladder.core.engagement.Engagement;
import org.zealousladder.core.engagement.EngagementRule;
import org.zealousladder.core.engagement.EngagementSettings;
import org.zealousladder.core.engagement.RuleSetting;
import org.zealousladder.server.engagement.activity.ActivityService;
import org.zealousladder.server.engagement.activity.ClassActivity;
import org.zealousladder.server.engagement.attendance.AttendanceService;
import org.zealousladder.server.engagement.attendance.Attended;
import org.zealousladder.server.engagement.rules.Rules;
import org.zealousladder.server.engagement.rules.RulesService;
import org.zealousladder.server.engagement.work.WorkBook;
import org.zealousladder.server.engagement.work.WorkService;
import org.zealousladder.server.school.calendar.CalendarService;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.SchoolYear;

/** Asks the rules about students: who needs a look, and why. */
@Service
@Transactional(readOnly = true)
public class LooksService {
    /** From this share of the class's time on, time is not what is lacking. */
    private static final double MUCH = 1.25;
    /** The running week counts once so many of its school days have passed: who comes on Thursdays is not quiet on a Monday. */
    private static final int DAYS_OF_A_WEEK = 3;
    /** The most telling first. */
    private static final List<EngagementRule> TELLING = List.of(EngagementRule.NOT_SEEN, EngagementRule.QUIET, EngagementRule.DROPPED,
            EngagementRule.WORK_NOT_IN);

    private final ActivityService activity;
    private final RulesService rules;
    private final CalendarService calendar;
    private final AsidesStore asides;
    private final AttendanceService attendance;

    private final WorkService work;

    LooksService(ActivityService activity, RulesService rules, CalendarService calendar, AsidesStore asides, AttendanceService attendance, WorkService work) {
        this.attendance = attendance;
        this.work = work;
        this.activity = activity;
        this.rules = rules;
        this.calendar = calendar;
        this.asides = asides;
    }

    /** Those of {@code students}, who need a look first. */
    public Looks of(List<Enrolled> students, SchoolYear year, LocalDate asOf, Falls falls) {
        return of(students, year, asOf, falls, rules.on(asOf));
    }

    /** The same by rules that may not be set. */
    public Looks of(List<Enrolled> students, SchoolYear year, LocalDate asOf, Falls falls, Rules set) {
        LocalDate monday = year.starts().with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
        int weeks = Math.max(0, (int) Math.floorDiv(ChronoUnit.DAYS.between(monday, asOf), 7L) + 1);
        Map<Integer, Enrolled> firstOf = students.stream().collect(Collectors.toMap(Enrolled::classId, e -> e, (a, b) -> a));
        Map<Integer, ClassActivity> all = activity.classes(firstOf.keySet(), monday, weeks, asOf);
        IntFunction<SchoolDays> days = calendar.schools(asOf);
        Map<Integer, List<Aside>> kept = asides.counting(students.stream().map(Enrolled::id).toList(), asOf).stream()
                .collect(Collectors.groupingBy(Aside::studentId));
        Map<Integer, Attended> attended = attendance.of(students, year, asOf);
        WorkBook book = work.of(students, year, asOf);
        Map<Integer, Looks.OfClass> classes = new HashMap<>();
        List<Look> looks = new ArrayList<>();
        Map<Integer, List<Enrolled>> byClass = students.stream().collect(Collectors.groupingBy(Enrolled::classId));
        byClass.forEach((classId, of) -> {
            Enrolled any = requireNonNull(firstOf.get(classId));
            ClassActivity done = all.getOrDefault(classId, new ClassActivity(classId, List.of()));
            Judge judge = new Judge(done, monday, weeks, asOf, days.apply(any.schoolId()), set.of(any.schoolId(), any.grade(), classId));
            classes.put(classId, judge.ofClass());
            WorkJudge works = new WorkJudge(book, of, any.schoolId(), asOf, set.of(any.schoolId(), any.grade(), classId));
            of.forEach(e -> looks.add(judge.look(e, falls, kept.getOrDefault(e.id(), List.of()), attended.get(e.id()), works)));
        });
        looks.sort(Comparator.comparing((Look l) -> !l.needed()).thenComparing(l -> l.joined() == null).thenComparing(l -> -l.flags().size())
                .thenComparing(l -> l.flags().isEmpty() ? LocalDate.MAX : l.flags().get(0).since()).thenComparing(l -> l.student().ref().name()));
        return new Looks(monday, weeks, classes, looks, book);
    }

    /** One class. */
    private static final class Judge {
        private final ClassActivity done;
        private final Map<Integer, Integer> seats = new HashMap<>();
        private final int weeks;
        private final int since;
        /** Whether the running week is too young to be counted. */
        private boolean early;
        private final LocalDate asOf;
        private final EngagementSettings settings;
        private final ClassWeeks of;
        private final Engagement engagement;

        Judge(ClassActivity done, LocalDate monday, int weeks, LocalDate asOf, SchoolDays days, EngagementSettings settings) {
            this.done = done;
            this.weeks = weeks;
            this.asOf = asOf;
            this.settings = settings;
            for (int i = 0; i < done.seats().size(); i++) {
                Integer student = done.seats().get(i).studentId();
                if (student != null) {
                    seats.put(student, i);
                }
            }
            // What was before anybody began says nothing of how much is usual.
            since = done.seats().stream().map(ClassActivity.Seat::first).filter(java.util.Objects::nonNull)
                    .mapToInt(d -> (int) ChronoUnit.DAYS.between(monday, d) / 7).min().orElse(weeks);
            boolean[] closed = new boolean[weeks - since];
            for (int w = since; w < weeks; w++) {
                LocalDate next = monday.plusWeeks(w + 1L);
                int passed = days.count(monday.plusWeeks(w), next.isAfter(asOf) ? asOf.plusDays(1) : next);
                early = passed > 0 && passed < DAYS_OF_A_WEEK && days.count(asOf.plusDays(1), next) > 0;
                closed[w - since] = passed == 0 || early;
            }
            of = new ClassWeeks(done.seats().stream().map(s -> Arrays.copyOfRange(s.minutes(), since, weeks)).toList(), closed);
            engagement = new Engagement(of, monday.plusWeeks(since), days, asOf, settings);
        }

        Looks.OfClass ofClass() {
            double[] medians = new double[weeks];
            boolean[] still = new boolean[weeks];
            for (int w = since; w < weeks; w++) {
                medians[w] = of.median(w - since);
                still[w] = of.still(w - since) && !(early && w == weeks - 1);
            }
            return new Looks.OfClass(medians, still, since, settings);
        }

        Look look(Enrolled e, Falls falls, List<Aside> kept, @Nullable Attended attended, WorkJudge works) {
            Integer seat = seats.get(e.id());
            Aside aside = kept.stream().filter(a -> a.what() == Aside.What.ASIDE).findFirst().orElse(null);
            Aside watch = kept.stream().filter(a -> a.what() == Aside.What.WATCH).findFirst().orElse(null);
            ClassActivity.@Nullable Seat of = seat == null || done.seats().get(seat).first() == null ? null : done.seats().get(seat);
            Engagement.Judged judged = seat == null || of == null ? new Engagement.Judged(List.of(), List.of())
                    : engagement.judge(seat, new Engagement.Seen(of.first(), of.last()));
            List<EngagementRule> cannotTell = new ArrayList<>(judged.cannotTell());
            List<Engagement.Flag> flags = new ArrayList<>(judged.flags());
            works.notIn(e.id(), cannotTell).ifPresent(flags::add);
            List<Said> all = new ArrayList<>(flags.stream().sorted(Comparator.comparing((Engagement.Flag f) -> TELLING.indexOf(f.rule())))
                    .map(f -> Said.of(f, settings.of(f.rule()))).toList());
            OptionalDouble lately = seat == null || of == null ? OptionalDouble.empty() : engagement.lately(seat, new Engagement.Seen(of.first(), of.last()));
            Look.@Nullable Joined both = joined(falls.of(e.id()),
                    all.stream().filter(s -> aside == null || aside.due(asOf) || !aside.rules().contains(s.rule())).toList(), lately,
                    all.isEmpty());
            RuleSetting away = settings.of(EngagementRule.OFTEN_ABSENT);
            if (away.on() && attended == null) {
                cannotTell.add(EngagementRule.OFTEN_ABSENT);
            } else if (away.on() && attended != null && attended.days() > 0 && !attended.away().isEmpty() && attended.share() >= away.threshold()) {
                all.add(Said.oftenAbsent(attended, away));
            }
            works.lowMarks(e.id(), cannotTell).ifPresent(f -> all.add(Said.of(f, settings.of(f.rule()))));
            List<Said> quieted = aside == null || aside.due(asOf) ? List.of() : all.stream().filter(s -> aside.rules().contains(s.rule())).toList();
            return new Look(e, of == null ? new double[weeks] : of.minutes(), of == null ? new int[weeks] : of.actions(),
                    all.stream().filter(s -> !quieted.contains(s)).toList(),
                    quieted, both, cannotTell, aside, watch, lately.isPresent() ? lately.getAsDouble() : null, works.missing(e.id()),
                    of != null || attended != null || works.missing(e.id()) != null);
        }

        private static Look.@Nullable Joined joined(@Nullable String falls, List<Said> flags, OptionalDouble lately, boolean nothingSaid) {
            if (falls == null || flags.isEmpty() && !nothingSaid) {
                return null;
            } else if (!flags.isEmpty()) {
                return new Look.Joined(falls + " too", "Talk first.");
            }
            return lately.orElse(0) >= MUCH ? new Look.Joined("much time, and " + falls.substring(0, 1).toLowerCase(java.util.Locale.ROOT) + falls.substring(1),
                    "Time is not the lack: teach it another way.") : null;
        }
    }
}
