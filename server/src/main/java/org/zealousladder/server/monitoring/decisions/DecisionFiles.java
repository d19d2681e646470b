package org.zealousladder.server.monitoring.decisions;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.who.Viewer;

/** The file of changes of plan that were decided. */
@Component
class DecisionFiles implements DeclaresFiles {
    private static final String TODAY = "(select scope_today())";

    static final FileKind PLAN_CHANGES = FileKind.named("plan-changes", "changes of plan").least(Viewer.Role.TEACHER)
            .columns(Column.of("student", TEXT), Column.of("measure", TEXT), Column.of("changed_on", DATE), Column.of("change", TEXT))
            .joined("""
                    select st.*, s.id as student_id, m.id as measure_id,
                           case when d.id is null then 'new' else 'unchanged' end as outcome
                      from stage st
                      left join roster_student s on s.code = st.student
                      left join measures_measure m on m.code = st.measure
                      left join decisions_decision d on d.student_id = s.id and d.measure_id = m.id and d.decided_on = st.changed_on
                           and d.kind = 'plan-changed'""")
            .ofStudents()
            .unknown("measure", "measure_id", "measure")
            .problem("changed_on", "changed_on > " + TODAY, "'The date is in the future.'")
            .key("student_id, measure_id, changed_on").payload("%s.change")
            .apply("""
                    insert into decisions_decision (student_id, measure_id, kind, decided_on, look_again_on, proposed, because, reason, recorded_by)
                    select student_id, measure_id, 'plan-changed', changed_on, changed_on + 28, 'change', 'brought in from a file', change, (select scope_person())
                      from accepted where outcome = 'new' order by row_no""")
            .build();

    @Override
    public List<FileKind> files() {
        return List.of(PLAN_CHANGES);
    }
}
