package org.zealousladder.server.screening.tiers;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;
import static org.zealousladder.server.platform.files.Column.Type.WHOLE;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.who.Viewer;

/** The file of tiers that were decided elsewhere. */
@Component
class TierFiles implements DeclaresFiles {
    private static final String TODAY = "(select scope_today())";

    /** Tiers that were decided elsewhere, a student, window and area a row. */
    static final FileKind TIERS = FileKind.named("tiers", "tiers").least(Viewer.Role.COORDINATOR)
            .columns(Column.of("student", TEXT), Column.of("area", TEXT), Column.of("year", TEXT), Column.of("window", TEXT), Column.of("tier", WHOLE),
                    Column.optional("decided", DATE), Column.optional("reason", TEXT))
            .joined("""
                    select st.*, s.id as student_id, w.id as window_id, w.starts as opens, t.id as old_id,
                           exists (select from measures_measure m where m.area = st.area) as known_area,
                           case when t.id is null then 'new'
                                when t.tier::integer = st.tier and t.reason is not distinct from st.reason then 'unchanged' else 'changed' end as outcome
                      from stage st left join roster_student s on s.code = st.student
                      left join roster_year y on y.name = st.year
                      left join measures_window w on w.year_id = y.id and w.name = st."window"
                      left join tiers_tier t on t.student_id = s.id and t.window_id = w.id and t.area = st.area and t.superseded_by is null""")
            .ofStudents()
            .problem("\"window\"", "window_id is null", "'There is no window ''' || \"window\" || ''' in the year ''' || year || '''.'")
            .problem("area", "not known_area", "'No measure has the area ''' || area || '''.'")
            .problem("tier", "tier not between 1 and 5", "'A tier is a whole number from 1 to 5.'")
            .problem("decided", "decided > " + TODAY + " or decided < opens", "'A tier is decided from the first day of its window on, and not in the future.'")
            .key("student_id, area, year, \"window\"").payload("%s.tier, %s.reason")
            .apply("""
                    create temporary table decided_anew on commit drop as
                    select nextval(pg_get_serial_sequence('tiers_tier', 'id')) as id, a.* from accepted a where a.outcome <> 'unchanged'""")
            .apply("""
                    update tiers_tier t set superseded_by = d.id, superseded_on = greatest(coalesce(d.decided, %s), t.known_from)
                      from decided_anew d where t.id = d.old_id""".formatted(TODAY))
            .apply("""
                    insert into tiers_tier (id, student_id, window_id, area, outcome, tier, because, reason, known_from, recorded_by)
                    select id, student_id, window_id, area, 'confirmed', tier, 'Brought in by a file.', reason, coalesce(decided, %s), (select scope_person())
                      from decided_anew""".formatted(TODAY))
            .build();

    @Override
    public List<FileKind> files() {
        return List.of(TIERS);
    }
}
