package org.zealousladder.server.learning.answers;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.NUMBER;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;
import static org.zealousladder.server.platform.files.Column.Type.WHOLE;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.files.Subject;
import org.zealousladder.server.platform.who.Viewer;

/** Files of answers: a row an answer, or a wide sheet of a row a student and a column an item, with the key in a row of its own. */
@Component
class AnswerFiles implements DeclaresFiles {
    private static final String TODAY = "(select scope_today())";

    static final FileKind ANSWERS = FileKind.named("answers", "answers to items").least(Viewer.Role.TEACHER)
            .columns(Column.of("student", TEXT), Column.of("item", TEXT), Column.of("date", DATE), Column.optional("points", NUMBER),
                    Column.optional("possible", NUMBER),
                    Column.optional("answer", TEXT), Column.optional("check_code", TEXT), Column.optional("seconds", WHOLE), Column.optional("attempt", WHOLE))
            .joined("""
                    select x.*, case when old_id is null then 'new' when (old_points, old_possible, old_answer, old_check, old_seconds) is not distinct from
                                          (earned, of_points, answer, check_id, seconds::integer) then 'unchanged' else 'changed' end as outcome
                      from (select st.*, s.id as student_id, i.id as item_id, c.id as check_id, coalesce(st.possible, i.possible) as of_points, n.number,
                                   coalesce(st.points, skills_worth(i.id, st.answer) * coalesce(st.possible, i.possible)) as earned,
                                   i.kind in ('text', 'number', 'written') and exists (select from skills_key k where k.item_id = i.id) as may_wait,
                                   o.id as old_id, o.points as old_points, o.possible as old_possible, o.answer as old_answer, o.check_id as old_check,
                                     o.seconds as old_seconds
                              from stage st left join roster_student s on s.code = st.student
                              left join skills_item i on i.id = coalesce((select x.id from skills_item x where x.code = st.item),
                                (select min(x.id) from skills_item x where x.identifier = st.item and not x.ended))
                              left join skills_check c on c.code = st.check_code
                             cross join lateral (select coalesce(st.attempt, 1)::smallint as number) n
                              left join skills_answer o on o.student_id = s.id and o.item_id = i.id and o.on_day = st.date and o.number = n.number and o.superseded_by is null) x""")
            .ofStudents().unknown("item", "item_id", "item called")
            .unknown("check_code", "coalesce(check_id, case when check_code is null then 0 end)", "check called")
            .problem("student", "student is null", "'Say whose answer it is.'")
            .problem("date", "date is null", "'Say on which day it was given.'")
            .problem("points", "points < 0", "'Points are 0 or more.'")
            .problem("points", "points > of_points", "'That is more than the ' || of_points || ' that can be earned.'")
            .problem("points", "earned is null and item_id is not null and not (may_wait and answer is not null)",
                    "case when answer is null then 'Say the points, or the answer of an item whose key is on record.' else 'The item has no key, so say the points.' end")
            .problem("possible", "possible <= 0 or possible > 1000", "'The points that can be earned are more than 0 and at most 1000.'")
            .problem("answer", "length(answer) > 500", "'An answer has at most 500 letters.'")
            .problem("seconds", "seconds not between 0 and 360000", "'Seconds are 0 to 360000.'")
            .problem("attempt", "attempt not between 1 and 99", "'Attempts are counted from 1 to 99.'")
            .problem("date", "date > " + TODAY, "'The date is in the future.'")
            .problem("date", "date < date '2000-01-01'", "'The date is too long ago; check the year.'")
            .key("student_id, item_id, date, number").payload("%s.earned, %s.of_points, %s.answer, %s.check_code, %s.seconds")
            .apply("""
                    create temporary table answer_anew on commit drop as
                    select nextval('skills_answer_id_seq') as id, a.* from accepted a where a.outcome <> 'unchanged'""")
            .apply("update skills_answer x set superseded_by = n.id, superseded_on = greatest(%s, x.known_from) from answer_anew n where x.id = n.old_id"
                    .formatted(TODAY))
            .apply("""
                    insert into skills_answer (id, student_id, item_id, check_id, on_day, number, points, possible, answer, seconds, source, known_from, recorded_by)
                    select id, student_id, item_id, check_id, date, number, earned, of_points, answer, seconds, 'file',
                      case when old_id is null then date else %s end,
                           (select scope_person()) from answer_anew""".formatted(TODAY))
            .build();

    /** Rows of the sheet that say something of its items: the key, the points that can be earned, the skill. */
    private static final String ABOUT = "lower(btrim(coalesce(student, '')))";
    private static final String KEY = ABOUT + " in ('key', 'answer key', 'answers', 'correct', 'right', 'solution')";
    private static final String POSSIBLE = ABOUT + " in ('points', 'possible', 'max', 'maximum', 'out of')";
    private static final String SKILL = ABOUT + " in ('skill', 'skills', 'standard', 'objective')";
    private static final String PERSON = "not (" + KEY + " or " + POSSIBLE + " or " + SKILL + ")";
    /** An item of a sheet is called after the sheet's check, so that the first question of two checks is two items; one that is on record by its own name stays that. */
    private static final String CODE = "case when exists (select from skills_item i where i.code = raw.item) then raw.item else left(raw.check_code || ' ' || raw.item, 120) end";

    /** A row a student and a column an item. */
    private static final Subject SHEET = Subject.named("answer-sheet", "answers, a column an item")
            .field(Column.of("student", TEXT), "Student (code or name)")
            .field(Column.of("check_code", TEXT), "Name of the check")
            .field(Column.of("date", DATE).emptyAllowed(), "Day on which it was taken")
            .field(Column.of("item", TEXT), "Item")
            .field(Column.optional("answer", TEXT), "Answer or points to an item")
            .helper("given_name", "Student's given name")
            .helper("family_name", "Student's family name")
            .helper("class", "Student's class")
            .need("Say which column tells the student: by code, by name, or by given and family name.", List.of("student"), List.of("given_name"))
            .need("Say what the check is called: in a column, or for all of them.", List.of("check_code"))
            .need("Say on which day it was taken: in a column, or for all of them.", List.of("date"))
            .need("Say which columns hold the answers.", List.of("answer"))
            .composed("student", "student", "given_name", "family_name").folded("answer").foldedName("item").narrowing("class").found("student")
            // A check that is on record is meant by its name, too.
            .told("""
                    select row_no, student, coalesce((select min(c.code) from skills_check c where c.name = raw.check_code and not c.ended),
                      check_code) as check_code, date, item, answer
                      from raw""")
            .part("checks", List.of("student"),
                    "select min(row_no) as row_no, check_code, check_code as check_name, null as of_school, 'elsewhere' as taken from raw group by check_code")
            .part("items", List.of("student"), """
                    select min(row_no) as row_no, %1$s as item, min(item) as prompt, null as item_kind, null as choices,
                           max(case when %2$s and answer ~ '^[0-9]+([.][0-9]+)?$' then answer::double precision end) as possible, null as of_school, null as uri
                      from raw where not exists (select from skills_item i where i.code = %1$s) group by 2""".formatted(CODE, POSSIBLE))
            .part("item-skills", List.of("student"),
                    "select row_no, %s as item, answer as skill from raw where %s and answer is not null".formatted(CODE, SKILL))
            .part("item-answers", List.of("student"),
                    "select row_no, %s as item, answer, 1 as worth, null as shows from raw where %s and answer is not null".formatted(CODE, KEY))
            .part("check-items", List.of("student"),
                    """
                    select min(row_no) as row_no, check_code, %s as item, null as place, left(min(item), 60) as label from raw group by check_code, 3 order by 1"""
                            .formatted(CODE))
            .part("answers", List.of("student"),
                    """
                    select row_no, student, %1$s as item, date,
                      case when keyed then null when answer ~ '^[0-9]+([.][0-9]+)?$' then answer::double precision end as points,
                           null as possible, answer, check_code, null as seconds, null as attempt
                      from (select raw.*, exists (select from raw k where k.item = raw.item and %2$s) or exists (
                              select from skills_key k join skills_item i on i.id = k.item_id where i.code = %1$s) as keyed from raw where %3$s) raw where answer is not null"""
                            .formatted(CODE, KEY.replace("student", "k.student"), PERSON))
            .build();

    @Override
    public List<FileKind> files() {
        return List.of(ANSWERS);
    }

    @Override
    public List<Subject> subjects() {
        return List.of(SHEET);
    }
}
