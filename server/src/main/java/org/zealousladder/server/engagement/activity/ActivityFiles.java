package org.zealousladder.server.engagement.activity;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.NUMBER;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;
import static org.zealousladder.server.platform.files.Column.Type.WHOLE;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.core.engagement.ActivityKind;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;

/** Files of what students did: a row for a day and a place, or for an action where the time is told. */
@Component
class ActivityFiles implements DeclaresFiles {
    private static final String TODAY = "(select scope_today())";
    private static final List<String> LEVELS = List.of("program", "book", "chapter", "page");

    private final FileKind activity;

    ActivityFiles(SchoolCalendar calendar) {
        activity = activity(calendar.zone().getId());
    }

    /** The clock on the wall is that of the school. */
    private static FileKind activity(String zone) {
        FileKind.Builder kind = FileKind.named("activity", "activity").least(Viewer.Role.COORDINATOR)
                .columns(Column.of("student", TEXT), Column.of("date", DATE), Column.optional("time", TEXT), Column.choice("kind", true, ActivityKind.class),
                        Column.optional("minutes", NUMBER), Column.optional("actions", WHOLE), Column.optional("program", TEXT), Column.optional("book", TEXT),
                        Column.optional("chapter", TEXT), Column.optional("page", TEXT))
                .joined("""
                        select x.*, case when x.old_id is null then 'new' when (x.old_minutes, x.old_actions) is not distinct from (x.minutes::real, coalesce(x.actions, 1)) then 'unchanged'
                                         else 'changed' end as outcome
                          from (select st.*, s.id as student_id, c.deepest as context_id, t.at, a.id as old_id, a.minutes as old_minutes, a.actions as old_actions
                                  from stage st left join roster_student s on s.code = st.student
                                  left join engagement_context p on p.parent_id is null and p.name = st.program and p.iri is null
                                  left join engagement_context b on b.parent_id = p.id and b.name = st.book and b.iri is null
                                  left join engagement_context h on h.parent_id = b.id and h.name = st.chapter and h.iri is null
                                  left join engagement_context g on g.parent_id = h.id and g.name = st.page and g.iri is null
                                 cross join lateral (select case when st.page is not null then g.id when st.chapter is not null then h.id when st.book is not null then b.id
                                                                 else p.id end as deepest,
                                                            case when st.program is null then true when st.book is null then p.id is not null when st.chapter is null then b.id is not null
                                                                 when st.page is null then h.id is not null else g.id is not null end as there) c
                                 cross join lateral (select case when st.time ~ '^([01]?\\d|2[0-3]):[0-5]\\d(:[0-5]\\d)?$' then (st.date + st.time::time) at time zone '%s' end as at) t
                                  left join engagement_action a on c.there and a.student_id = s.id and a.on_day = st.date and a.kind = st.kind
                                   and a.context_id is not distinct from c.deepest and a.at is not distinct from t.at and a.superseded_at is null and a.statement_id is null) x"""
                        .formatted(zone))
                .ofStudents()
                .problem("date", "date > " + TODAY, "'The date is in the future.'")
                .problem("date", "date < date '2015-01-01'", "'The date is too long ago; check the year.'")
                .problem("time", "time is not null and at is null", "'A time is written as 14:05.'")
                .problem("minutes", "minutes not between 0 and 1440", "'A day has 0 to 1440 minutes.'")
                .problem("actions", "actions not between 0 and 100000", "'Actions are 0 to 100000.'")
                .problem("book", "book is not null and program is null", "'Say the program that the book is in.'")
                .problem("chapter", "chapter is not null and book is null", "'Say the book that the chapter is in.'")
                .problem("page", "page is not null and chapter is null", "'Say the chapter that the page is in.'");
        for (String level : LEVELS) {
            kind.problem(level, "length(" + level + ") > 200", "'A name has at most 200 letters.'");
        }
        kind.key("student_id, date, kind, program, book, chapter, page, at").payload("%s.minutes, %s.actions");
        kind.apply("select engagement_months(array_agg(distinct date)) from accepted where outcome <> 'unchanged'");
        for (int i = 0; i < LEVELS.size(); i++) {
            kind.apply(contexts(i));
        }
        return kind.apply("""
                create temporary table action_anew on commit drop as
                select nextval('engagement_action_id_seq') as id, a.student_id, a.date, a.at, a.kind, a.minutes, coalesce(a.actions, 1) as actions, a.old_id,
                       coalesce(g.id, h.id, b.id, p.id) as context_id
                  from accepted a left join engagement_context p on p.parent_id is null and p.name = a.program and p.iri is null
                  left join engagement_context b on b.parent_id = p.id and b.name = a.book and b.iri is null
                  left join engagement_context h on h.parent_id = b.id and h.name = a.chapter and h.iri is null
                  left join engagement_context g on g.parent_id = h.id and g.name = a.page and g.iri is null
                 where a.outcome <> 'unchanged'""")
                .apply("""
                        update engagement_action x set superseded_by = n.id, superseded_at = now() from action_anew n
                         where n.old_id is not null and x.id = n.old_id and x.student_id = n.student_id and x.on_day = n.date""")
                .apply("""
                        insert into engagement_action (id, student_id, on_day, at, kind, minutes, actions, context_id, recorded_by)
                        select id, student_id, date, at, kind, minutes, actions, context_id, (select scope_person()) from action_anew""")
                .build();
    }

    /** Makes the places of one level that are not there yet; those above are. */
    private static String contexts(int level) {
        String name = LEVELS.get(level);
        StringBuilder above = new StringBuilder();
        String parent = "null::integer";
        String path = "'{}'::integer[]";
        for (int i = 0; i < level; i++) {
            above.append(" join engagement_context c%d on c%d.parent_id %s and c%d.name = a.%s and c%d.iri is null".formatted(i, i,
                    i == 0 ? "is null" : "= c" + (i - 1) + ".id", i, LEVELS.get(i), i));
            parent = "c" + i + ".id";
            path = "c" + i + ".path";
        }
        return """
                insert into engagement_context (id, parent_id, name, path)
                select n.id, n.parent, n.name, n.above || n.id::integer
                  from (select nextval('engagement_context_id_seq') as id, d.* from (
                          select distinct %2$s as parent, %3$s as above, a.%1$s as name from accepted a%4$s
                           where a.%1$s is not null and a.outcome <> 'unchanged'
                             and not exists (select from engagement_context o where o.parent_id is not distinct from %2$s and o.name = a.%1$s and o.iri is null)) d) n
                on conflict do nothing"""
                .formatted(name, parent, path, above);
    }

    @Override
    public List<FileKind> files() {
        return List.of(activity, ATTENDANCE);
    }

    static final FileKind ATTENDANCE = FileKind.named("attendance", "attendance").least(Viewer.Role.TEACHER)
            .columns(Column.of("student", TEXT), Column.of("date", DATE), Column.choice("status", true, List.of("present", "absent", "late")),
                    Column.optional("reason", TEXT))
            .joined("""
                    select st.*, s.id as student_id, d.id as old_id,
                           case when d.id is null then 'new' when (d.status, d.reason) is not distinct from (st.status, st.reason) then 'unchanged' else 'changed' end as outcome
                      from stage st left join roster_student s on s.code = st.student
                      left join attendance_day d on d.student_id = s.id and d.on_day = st.date and d.superseded_by is null""")
            .ofStudents()
            .problem("date", "date > " + TODAY, "'The date is in the future.'")
            .problem("date", "date < date '1990-01-01'", "'The date is too long ago; check the year.'")
            .problem("reason", "length(reason) > 120", "'A reason has at most 120 letters.'")
            .key("student_id, date").payload("%s.status, %s.reason")
            .apply("""
                    create temporary table day_anew on commit drop as
                    select nextval('attendance_day_id_seq') as id, a.* from accepted a where a.outcome <> 'unchanged'""")
            .apply("update attendance_day d set superseded_by = n.id, superseded_on = greatest(%s, d.known_from) from day_anew n where d.id = n.old_id"
                    .formatted(TODAY))
            .apply("""
                    insert into attendance_day (id, student_id, on_day, status, reason, known_from, recorded_by)
                    select id, student_id, date, status, reason, case when old_id is null then date else %s end, (select scope_person()) from day_anew"""
                    .formatted(TODAY))
            .build();
}
