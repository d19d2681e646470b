package org.zealousladder.server.school.roster;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;

/** The file of lessons. */
@Component
class LessonFiles implements DeclaresFiles {
    private static final String TIME = "'^([01]?[0-9]|2[0-3])[:.][0-5][0-9]$'";
    private static final List<String> DAYS = List.of("monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday");

    static final FileKind TIMETABLE = FileKind.named("timetable", "timetables of classes and teaching groups")
            .columns(Column.choice("weekday", true, DAYS), Column.of("lesson_starts", TEXT), Column.of("lesson_ends", TEXT), Column.of("subject", TEXT),
                    Column.optional("class", TEXT), Column.optional("group", TEXT), Column.optional("room", TEXT), Column.of("from", DATE),
                    Column.optional("to", DATE))
            .joined("""
                    select st.*, c.id as class_id, g.id as group_id, t.day, t.begins, t.stops, l.id,
                           case when l.id is null then 'new'
                                when (l.ends, l.subject) = (t.stops, st.subject) and (l.room, l.to_day) is not distinct from (st.room, st."to") then 'unchanged'
                                else 'changed' end as outcome
                      from stage st left join roster_class c on c.code = st.class left join roster_group g on g.code = st."group"
                      cross join lateral (select array_position(array['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'], st.weekday) as day,
                                                 case when st.lesson_starts ~ %1$s then replace(st.lesson_starts, '.', ':')::time end as begins,
                                                 case when st.lesson_ends ~ %1$s then replace(st.lesson_ends, '.', ':')::time end as stops) t
                      left join roster_lesson l on (l.class_id, l.group_id) is not distinct from (c.id, g.id)
                                               and (l.weekday, l.starts, l.from_day) = (t.day, t.begins, st."from")"""
                    .formatted(TIME))
            .unknown("class", "class_id", "class")
            .unknown("\"group\"", "group_id", "teaching group")
            .problem("class", "num_nonnulls(class, \"group\") <> 1", "'Say a class or a teaching group, one of the two.'")
            .problem("lesson_starts", "begins is null", "'Write a time of day as 8:15.'")
            .problem("lesson_ends", "stops is null", "'Write a time of day as 9:00.'")
            .problem("lesson_ends", "stops <= begins", "'The lesson ends before it starts.'")
            .problem("subject", "length(subject) > 60", "'A subject has at most 60 letters.'")
            .problem("room", "length(room) > 40", "'A room has at most 40 letters.'")
            .problem("\"to\"", "\"to\" < \"from\"", "'The last day is before the first.'")
            .key("class, \"group\", weekday, begins, \"from\"").payload("%s.lesson_ends, %s.subject, %s.room, %s.\"to\"")
            .apply("""
                    update roster_lesson l set ends = a.stops, subject = a.subject, room = a.room, to_day = a."to"
                      from accepted a where a.outcome = 'changed' and l.id = a.id""")
            .apply("""
                    insert into roster_lesson (class_id, group_id, weekday, starts, ends, subject, room, from_day, to_day)
                    select class_id, group_id, day, begins, stops, subject, room, "from", "to" from accepted where outcome = 'new' order by row_no""")
            .build();

    @Override
    public List<FileKind> files() {
        return List.of(TIMETABLE);
    }
}
