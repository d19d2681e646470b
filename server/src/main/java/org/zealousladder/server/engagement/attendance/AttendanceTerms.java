package org.zealousladder.server.engagement.attendance;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntFunction;
import org.springframework.stereotype.Component;
import org.zealousladder.core.calendar.SchoolDays;
import org.zealousladder.core.criteria.Subject;
import org.zealousladder.core.criteria.Term;
import org.zealousladder.core.criteria.When;
import org.zealousladder.server.platform.criteria.AnswersTerms;
import org.zealousladder.server.platform.criteria.Asking;
import org.zealousladder.server.platform.criteria.Sql;
import org.zealousladder.server.platform.criteria.Values;
import org.zealousladder.server.school.calendar.CalendarService;
import org.zealousladder.server.school.roster.ClassRef;
import org.zealousladder.server.school.roster.RosterService;

/** Days away and late, on days on which the school was open. The same as {@link AttendanceService} counts. */
@Component
class AttendanceTerms implements AnswersTerms {
    private final CalendarService calendar;
    private final RosterService roster;

    AttendanceTerms(CalendarService calendar, RosterService roster) {
        this.calendar = calendar;
        this.roster = roster;
    }

    @Override
    public Map<Term, How> terms() {
        return Map.of(Term.DAYS_ABSENT, (s, a) -> Values.of(days(s, a, "absent")), Term.DAYS_LATE, (s, a) -> Values.of(days(s, a, "late")), Term.SHARE_ABSENT,
                this::share);
    }

    /** Of a class of which nothing is on record this year it cannot be told: a day that nobody tells of is not one at school. */
    private static final Sql TOLD = Sql.of("""
            select distinct e.class_id from (select distinct class_id, year_starts from base) b join roster_enrolment e on e.class_id = b.class_id
              join attendance_day d on d.student_id = e.student_id and d.on_day between b.year_starts and :asOf and d.known_from <= :asOf""");

    private Sql days(Subject s, Asking a, String status) {
        return open(Sql.of("""
                select b.student_id, count(d.on_day)::double precision as value
                  from base b join told t on t.class_id = b.class_id join calendars c on c.school_id = b.school_id
                  left join attendance_day d on d.student_id = b.student_id and d.status = :status and d.on_day >= {from} and d.on_day <= :to and d.on_day <= :asOf
                    and d.known_from <= :asOf and (d.superseded_on is null or d.superseded_on > :asOf) and (c.calendar, d.on_day) in (select calendar, day from open)
                 group by 1"""), s, a).bind("status", status);
    }

    private Values share(Subject s, Asking a) {
        Sql here = Sql.of("""
                select b.student_id, c.calendar, greatest(min(e.starts), {from}) as since
                  from base b join calendars c on c.school_id = b.school_id join roster_enrolment_known(:asOf) e on e.student_id = b.student_id
                   and e.starts <= :to and (e.ends is null or e.ends >= {from}) group by 1, 2, {from}""").put("from", a.from(s.when(), "b"));
        return Values.of(open(
                Sql.of("""
                select a.student_id, 100 * a.value / nullif(n.days, 0) as value
                  from ({away}) a join here h on h.student_id = a.student_id
                  join (select x.calendar, x.since, count(o.day)::double precision as days from (select distinct calendar, since from here) x
                          left join open o on o.calendar = x.calendar and o.day between x.since and :to group by 1, 2) n
                    on n.calendar = h.calendar and n.since = h.since"""),
                s, a).with("here", here).put("away", days(s, a, "absent").named("away")));
    }

    /** With the days on which schools were open, by calendar: most schools have the same one. */
    private Sql open(Sql body, Subject s, Asking a) {
        LocalDate from = s.when() instanceof When.Unsaid ? a.asOf().minusDays(400) : a.first(s.when());
        LocalDate first = from.isBefore(a.asOf().minusYears(15)) ? a.asOf().minusYears(15) : from;
        IntFunction<SchoolDays> of = calendar.schools(a.asOf());
        Map<SchoolDays, Integer> numbers = new HashMap<>();
        List<Integer> schools = roster.classes().stream().map(ClassRef::schoolId).distinct().toList();
        List<Integer> theirs = schools.stream().map(k -> numbers.computeIfAbsent(of.apply(k), d -> numbers.size())).toList();
        List<Integer> number = new ArrayList<>();
        List<String> days = new ArrayList<>();
        numbers.forEach((d, n) -> first.datesUntil(a.asOf().plusDays(1)).filter(d::open).forEach(day -> {
            number.add(n);
            days.add(day.toString());
        }));
        return body.put("from", a.from(s.when(), "b")).bind("to", a.to(s.when()))
                .with("calendars", Sql.of("select * from unnest(:schools, :theirs) as c(school_id, calendar)").bind("schools", schools.toArray(Integer[]::new))
                        .bind("theirs", theirs.toArray(Integer[]::new)))
                .with("open", Sql.of("select * from unnest(:number, :days::date[]) as o(calendar, day)").bind("number", number.toArray(Integer[]::new))
                        .bind("days", days.toArray(String[]::new)))
                .with("told", TOLD);
    }
}
