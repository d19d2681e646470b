package org.zealousladder.server.scores.scores;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.FORM;
import static org.zealousladder.server.platform.files.Column.Type.NUMBER;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.core.scores.ScoreStatus;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.files.Subject;
import org.zealousladder.server.platform.who.Viewer;

/** The file of scores. */
@Component
class ScoreFiles implements DeclaresFiles {
    private static final String TODAY = "(select scope_today())";

    /** An imported score counts as known from the day it was taken, unless the file says otherwise; a correction from today. */
    static final FileKind SCORES = FileKind.named("scores", "scores").least(Viewer.Role.TEACHER)
            .columns(Column.of("student", TEXT), Column.of("measure", TEXT), Column.of("date", DATE), Column.of("score", NUMBER).emptyAllowed(),
                    Column.choice("status", false, ScoreStatus.inFiles()), Column.optional("form", FORM), Column.optional("known", DATE))
            .joined("""
                    select st.row_no, st.student, st.measure, st.date, st.score, coalesce(st.status, 'scored') as status, st.known,
                           s.id as student_id, m.id as measure_id, m.lowest, m.highest, m.decimals, m.ends, c.id as old_id, k.name as closed,
                           case when coalesce(st.status, 'scored') = 'scored' then coalesce(nullif(st.form, ''), c.form) end as form,
                           a.total as added, a.parts as added_parts,
                           case when c.id is null then 'new'
                                when c.status = coalesce(st.status, 'scored') and c.value is not distinct from st.score
                                 and (coalesce(st.status, 'scored') <> 'scored' or nullif(st.form, '') is null or st.form is not distinct from c.form) then 'unchanged'
                                else 'changed' end as outcome
                      from stage st
                      left join (select ps.student, ps.date, p.part_of, count(*) as parts, sum(ps.score) as total
                                   from stage ps join measures_measure p on p.code = ps.measure and p.part_of is not null join measures_measure w on w.id = p.part_of and w.adds_up
                                  where ps.score is not null group by ps.student, ps.date, p.part_of) a
                        on a.student = st.student and a.date = st.date and a.part_of = (select x.id from measures_measure x where x.code = st.measure)
                       and a.parts = (select count(*) from measures_measure x where x.part_of = a.part_of and (x.ends is null or x.ends >= st.date))
                      left join roster_student s on s.code = st.student
                      left join measures_measure m on m.code = st.measure
                      left join scores_score c on c.student_id = s.id and c.measure_id = m.id and c.taken_on = st.date and c.superseded_by is null
                      left join measures_closed() k on k.student_id = s.id and k.area = m.area
                       and (k.window_id = c.window_id or c.window_id is null and st.date between k.starts and k.ends)""")
            .ofStudents()
            .unknown("measure", "measure_id", "measure")
            .problem("score", "(status = 'scored') <> (score is not null)", """
                    case when score is null then 'The score is missing. Give it, or a status (absent, exempt, invalid).'
                         else 'A row with the status ' || status || ' has no score; leave it empty.' end""")
            .problem("score", "score not between lowest and highest", "'The score is outside ' || lowest || ' to ' || highest || '.'")
            .problem("score", "score <> round(score::numeric, decimals)::double precision",
                    "case decimals when 0 then 'The score must be a whole number.' else 'The score has more than ' || decimals || ' decimals.' end")
            .problem("score", "added is not null and score is not null and score <> added",
                    "'The parts of ' || measure || ' add up to ' || added || ', not to ' || score || '.'")
            .problem("date", "date > " + TODAY, "'The date is in the future.'")
            .problem("date", "date < date '1990-01-01'", "'The date is too long ago; check the year.'")
            .problem("date", "date > ends and outcome <> 'unchanged'", "'The measure is given until ' || ends || '.'")
            .problem("date", "closed is not null and outcome <> 'unchanged'",
                    "'The window ' || closed || ' is closed for this student; a coordinator can open it again under Tiers.'")
            .problem("known", "known < date or known > " + TODAY, "'A score is known on the day it was taken or later, and not in the future.'")
            .key("student_id, measure_id, date").payload("%s.score, %s.status, %s.form")
            .apply("""
                    create temporary table correction on commit drop as
                    select nextval(pg_get_serial_sequence('scores_score', 'id')) as id, old_id, student_id, measure_id, date, score, status, form
                      from accepted where outcome = 'changed'""")
            .apply("""
                    update scores_score s set superseded_by = c.id, superseded_on = greatest(%s, s.known_from)
                      from correction c where s.id = c.old_id""".formatted(TODAY))
            .apply("""
                    insert into scores_score (id, student_id, measure_id, taken_on, value, status, source, known_from, recorded_by, reason, window_id, form)
                    select c.id, c.student_id, c.measure_id, c.date, c.score, c.status, 'imported', o.superseded_on, (select scope_person()), 'corrected by a file', o.window_id, c.form
                      from correction c join scores_score o on o.id = c.old_id""")
            .apply("""
                    insert into scores_score (student_id, measure_id, taken_on, value, status, source, known_from, recorded_by, form)
                    select student_id, measure_id, date, score, status, 'imported', coalesce(known, date), (select scope_person()), form
                      from accepted where outcome = 'new'""")
            .apply("select scores_add_up(array_agg(student_id), array_agg(measure_id), array_agg(date)) from accepted where outcome <> 'unchanged'")
            .build();

    /** A row for each score, or a row for each student with a column for each measure or week. */
    private static final Subject TABLE = Subject.named("scores", "scores")
            .field(Column.of("student", TEXT), "Student (code or name)")
            .field(Column.of("measure", TEXT), "Measure")
            .field(Column.of("date", DATE), "Day of the score")
            .field(Column.optional("score", NUMBER), "Score", List.of("absent", "exempt", "invalid"), "status")
            .field(Column.choice("status", false, ScoreStatus.inFiles()), "Status")
            .field(Column.optional("known", DATE), "Known since")
            .field(Column.optional("form", FORM), "Form or passage")
            .helper("given_name", "Student's given name")
            .helper("family_name", "Student's family name")
            .helper("class", "Student's class")
            .need("Say which column tells the student: by code, by name, or by given and family name.", List.of("student"), List.of("given_name"))
            .need("Say which measure the scores are of: in a column, or for all of them.", List.of("measure"))
            .need("Say of which day the scores are: in a column, for each column of scores, or for all of them.", List.of("date"))
            .need("Say which column holds the scores.", List.of("score"), List.of("status"))
            .composed("student", "student", "given_name", "family_name").folded("score").narrowing("class").rowsOf("scores").build();

    @Override
    public List<FileKind> files() {
        return List.of(SCORES);
    }

    @Override
    public List<Subject> subjects() {
        return List.of(TABLE);
    }
}
