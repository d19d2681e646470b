package org.zealousladder.server.school.calendar;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;

/** A file of terms, holidays and closures. */
@Component
class CalendarFiles implements DeclaresFiles {
    static final FileKind CALENDAR = FileKind.named("calendar", "terms, holidays and closures")
            .columns(Column.choice("days", true, SpanKind.class), Column.of("called", TEXT), Column.of("first", DATE), Column.of("last", DATE),
                    Column.optional("school", TEXT))
            .joined("""
                    select st.*, s.id as school_id, c.id, case when c.id is null then 'new' when c.words = st.called then 'unchanged' else 'changed' end as outcome
                      from stage st left join roster_school s on s.code = st.school
                      left join calendar_span c on c.ended_on is null and c.kind = st.days and (c.starts, c.ends) = (st.first, st.last)
                                               and c.school_id is not distinct from s.id""")
            .unknown("school", "school_id", "school")
            .problem("last", "last < first", "'The last day is before the first.'")
            .problem("first", """
                    exists (select from calendar_span o where o.ended_on is null and o.kind = j.days and o.id is distinct from j.id
                       and (o.school_id is null or j.school_id is null or o.school_id = j.school_id) and o.starts <= j.last and o.ends >= j.first)
                    or exists (select from joined k where k.days = j.days and k.row_no < j.row_no and k.first <= j.last and k.last >= j.first
                       and (k.school_id is null or j.school_id is null or k.school_id = j.school_id) and (k.first, k.last) <> (j.first, j.last))""",
                    "'It overlaps another ' || days || '.'")
            .key("days, first, last, school_id").payload("%s.called")
            .apply("update calendar_span c set ended_on = (select scope_today()), ended_by = (select scope_person()) from accepted a where a.outcome = 'changed' and c.id = a.id")
            .apply("""
                    insert into calendar_span (school_id, kind, starts, ends, words, made_by)
                    select school_id, days, first, last, called, (select scope_person()) from accepted where outcome <> 'unchanged' order by row_no""")
            .build();

    @Override
    public List<FileKind> files() {
        return List.of(CALENDAR);
    }
}
