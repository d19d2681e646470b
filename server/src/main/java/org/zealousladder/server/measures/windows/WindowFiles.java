package org.zealousladder.server.measures.windows;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;

/** The file of screening windows. */
@Component
class WindowFiles implements DeclaresFiles {
    static final FileKind WINDOWS = FileKind.named("windows", "screening windows")
            .columns(Column.of("year", TEXT), Column.of("window", TEXT), Column.of("opens", DATE), Column.of("closes", DATE))
            .joined("""
                    select st.*, case when st.closes >= st.opens then daterange(st.opens, st.closes, '[]') end as span, y.id as year_id,
                           w.id, y.starts as year_starts, y.ends as year_ends,
                           (select o.name from measures_window o
                             where o.year_id = y.id and lower(o.name) = lower(st."window") and o.name <> st."window" limit 1) as like_name,
                           case when w.id is null then 'new' when (w.starts, w.ends) = (st.opens, st.closes) then 'unchanged'
                           else 'changed' end as outcome
                      from stage st left join roster_year y on y.name = st.year
                      left join measures_window w on w.year_id = y.id and w.name = st."window\"""")
            .unknown("year", "year_id", "school year")
            .problem("closes", "closes < opens", "'The last day is before the first.'")
            .problem("opens", "opens < year_starts or closes > year_ends",
                    "'The school year ' || year || ' runs from ' || year_starts || ' to ' || year_ends || '; the window must lie within it.'")
            .problem("\"window\"", "like_name is not null", "'This year has a window called ''' || like_name || ''' already; write it the same way.'")
            .problem("\"window\"", "length(\"window\") > 40", "'A name has at most 40 letters.'")
            .problem("opens", """
                    exists (select from measures_window o where o.id is distinct from j.id and o.year_id = j.year_id
                       and not exists (select from joined k where k.id = o.id)
                       and daterange(o.starts, o.ends, '[]') && j.span)""", "'The window overlaps another one.'")
            .problem("opens", """
                    exists (select from joined k where k.row_no < j.row_no and k.year = j.year and k."window" <> j."window"
                       and k.span && j.span)""",
                    "'The window overlaps another one of this file.'")
            .key("year, \"window\"").payload("%s.opens, %s.closes")
            .apply("update measures_window w set starts = a.opens, ends = a.closes from accepted a where a.outcome = 'changed' and w.id = a.id")
            .apply("""
                    insert into measures_window (year_id, name, starts, ends)
                    select year_id, "window", opens, closes from accepted where outcome = 'new' order by opens""")
            .build();

    @Override
    public List<FileKind> files() {
        return List.of(WINDOWS);
    }
}
