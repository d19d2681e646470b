package org.zealousladder.server.engagement.weeks;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.engagement.EngagementRule;
import org.zealousladder.core.engagement.EngagementSettings;
import org.zealousladder.server.engagement.looks.FallsService;
import org.zealousladder.server.engagement.looks.Look;
import org.zealousladder.server.engagement.looks.Looks;
import org.zealousladder.server.engagement.looks.LooksService;
import org.zealousladder.server.engagement.rules.RuleWords;
import org.zealousladder.server.engagement.weeks.WeeksView.ClassLine;
import org.zealousladder.server.engagement.weeks.WeeksView.RuleLine;
import org.zealousladder.server.engagement.weeks.WeeksView.StillWeek;
import org.zealousladder.server.engagement.weeks.WeeksView.WeeksRow;
import org.zealousladder.server.school.calendar.CalendarService;
import org.zealousladder.server.school.calendar.CalendarSpan;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.Who;

/** Puts the page of weeks together. */
@Service
@Transactional(readOnly = true)
class WeeksService {
    private final RosterService roster;
    private final FallsService falls;
    private final LooksService looks;
    private final CalendarService calendar;

    WeeksService(RosterService roster, FallsService falls, LooksService looks, CalendarService calendar) {
        this.roster = roster;
        this.falls = falls;
        this.looks = looks;
        this.calendar = calendar;
    }

    WeeksView view(Who who, int yearId, LocalDate asked) {
        SchoolYear year = roster.year(yearId);
        LocalDate asOf = year.clamp(asked);
        List<Enrolled> students = roster.enrolled(who, yearId, asOf);
        Looks all = looks.of(students, year, asOf, falls.of(students, who, year, asOf));
        int from = all.classes().values().stream().mapToInt(Looks.OfClass::since).min().orElse(all.weeks());
        List<Look> told = all.all().stream().filter(Look::onRecord).toList();
        return new WeeksView(all.monday().plusWeeks(from), all.weeks() - from, lines(all, students, from), told.stream().map(l -> row(l, from)).toList(),
                rules(all, told),
                still(all, from, roster.school(who), asOf), all.all().stream().filter(l -> !l.onRecord()).map(l -> l.student().ref()).toList());
    }

    private static List<ClassLine> lines(Looks all, List<Enrolled> students, int from) {
        Map<Integer, String> names = students.stream().collect(Collectors.toMap(Enrolled::classId, Enrolled::className, (a, b) -> a));
        return all.classes().entrySet().stream().map(e -> new ClassLine(e.getKey(), requireNonNull(names.get(e.getKey())), whole(e.getValue().medians(), from),
                IntStream.range(from, all.weeks()).mapToObj(w -> e.getValue().still()[w]).toList())).sorted(Comparator.comparing(ClassLine::name)).toList();
    }

    private static List<Integer> whole(double[] minutes, int from) {
        return Arrays.stream(minutes, from, minutes.length).mapToObj(m -> (int) Math.round(m)).toList();
    }

    private static WeeksRow row(Look l, int from) {
        return new WeeksRow(l.student().ref(), whole(l.minutes(), from), Arrays.stream(l.actions(), from, l.actions().length).boxed().toList(), l.flags(),
                l.quieted(), l.joined(),
                l.cannotTell(), l.aside(), l.watch(), l.lately(), l.missing(), l.needed());
    }

    /** What each rule asks, where it is asked at all; in several classes it may be set in several ways. */
    private static List<RuleLine> rules(Looks all, List<Look> told) {
        List<RuleLine> lines = new ArrayList<>();
        Collection<EngagementSettings> settings = all.classes().values().stream().map(Looks.OfClass::settings).toList();
        for (EngagementRule rule : EngagementRule.values()) {
            List<String> ways = settings.stream().filter(s -> s.on(rule)).map(s -> RuleWords.of(rule, s.of(rule))).distinct().toList();
            if (!ways.isEmpty()) {
                lines.add(new RuleLine(rule, ways.size() == 1 ? ways.get(0) : RuleWords.name(rule) + ": as set for each class",
                        (int) told.stream().filter(l -> l.flags().stream().anyMatch(f -> f.rule() == rule)).count()));
            }
        }
        return lines;
    }

    /** Weeks that are still for every class in scope. */
    private List<StillWeek> still(Looks all, int from, int school, LocalDate asOf) {
        List<Looks.OfClass> active = all.classes().values().stream().filter(c -> c.since() < all.weeks()).toList();
        List<CalendarSpan> off = calendar.off(school, all.monday(), asOf, asOf);
        List<StillWeek> still = new ArrayList<>();
        for (int w = from; w < all.weeks(); w++) {
            int week = w;
            if (!active.isEmpty() && active.stream().allMatch(c -> c.since() > week || c.still()[week]) && active.stream().anyMatch(c -> c.still()[week])) {
                LocalDate monday = all.monday().plusWeeks(w);
                still.add(new StillWeek(w - from,
                        off.stream().filter(s -> !s.starts().isAfter(monday.plusDays(4)) && !s.ends().isBefore(monday)).map(CalendarSpan::words)
                                .findFirst().orElse(null)));
            }
        }
        return still;
    }
}
