package org.zealousladder.server.learning.reading;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.NUMBER;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;
import static org.zealousladder.server.platform.files.Column.Type.WHOLE;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.core.reading.Mark;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.who.Viewer;

/** Files of passages to read aloud, of the questions about them, and of readings with their marks. */
@Component
class ReadingFiles implements DeclaresFiles {
    /** A passage that has been read cannot be changed: its words are numbered in the readings. */
    static final FileKind PASSAGES = FileKind.named("passages", "passages")
            .columns(Column.of("passage", TEXT), Column.of("title", TEXT), Column.of("text", TEXT), Column.optional("grade", Column.Type.GRADE),
                    Column.optional("school", TEXT))
            .joined("""
                    select st.*, s.id as school_id, p.id as old_id, p.body as before,
                           case when p.id is null then 'new' when p.title = st.title and p.body = st.text then 'unchanged' else 'changed' end as outcome
                      from stage st left join roster_school s on s.code = st.school left join reading_passage p on p.code = st.passage""")
            .unknown("school", "school_id", "school with the code")
            .problem("text", "outcome = 'changed' and before <> text", "'There is a passage of that code with another text. Give this one a code of its own.'")
            .problem("grade", "grade not between 0 and 13", "'A grade is a whole number from 0 to 13.'")
            .key("passage").payload("%s.title, %s.text")
            .apply("update reading_passage p set title = a.title from accepted a where a.outcome = 'changed' and p.id = a.old_id")
            .apply("""
                    insert into reading_passage (code, school_id, title, grade, body, recorded_by)
                    select passage, school_id, title, grade, text, (select scope_person()) from accepted where outcome = 'new' order by row_no""")
            .build();

    static final FileKind QUESTIONS = FileKind.named("passage-questions", "questions about passages")
            .columns(Column.of("passage", TEXT), Column.of("number", WHOLE), Column.choice("question_kind", true, Passage.QuestionKind.class),
                    Column.of("question", TEXT),
                    Column.of("points", WHOLE))
            .joined("""
                    select st.*, p.id as passage_id, q.question as before, case when q.id is null then 'new' else 'unchanged' end as outcome
                      from stage st left join reading_passage p on p.code = st.passage
                      left join reading_question q on q.passage_id = p.id and q.position = st.number""")
            .unknown("passage", "passage_id", "passage with the code")
            .problem("points", "points not between 1 and 9", "'A question has 1 to 9 points.'")
            .problem("number", "number not between 1 and 40", "'Questions are numbered 1 to 40.'")
            .problem("question", "before <> question", "'The passage has another question of that number.'")
            .key("passage, number").payload("%s.question")
            .apply("""
                    insert into reading_question (passage_id, position, kind, question, points)
                    select passage_id, number, question_kind, question, points from accepted where outcome = 'new'""")
            .build();

    /** Rows of a file with student, passage and the reading that is on record for the day. */
    private static final String READ_BEFORE = """
            from stage st left join roster_student s on s.code = st.student left join reading_passage p on p.code = st.passage
            left join lateral (select o.* from reading_reading o where o.student_id = s.id and o.passage_id = p.id and o.read_on = st.read_on and o.withdrawn_on is null
                                order by o.id desc limit 1) r on true""";

    static final FileKind READINGS = FileKind.named("readings", "readings aloud").least(Viewer.Role.TEACHER)
            .columns(Column.of("student", TEXT), Column.of("passage", TEXT), Column.of("read_on", DATE), Column.of("seconds", NUMBER),
                    Column.optional("limit_seconds", WHOLE),
                    Column.of("last_word", WHOLE), Column.optional("retelling", WHOLE), Column.of("level", TEXT), Column.optional("note", TEXT))
            .joined("""
                    select st.*, s.id as student_id, p.id as passage_id, r.id as old_id,
                           (select count(*) from regexp_split_to_table(p.body, '\\s+') w where w ~ '[[:alnum:]]') as words,
                           exists (select from reading_level l join reading_level_table t on t.id = l.table_id where t.superseded_on is null and l.name = st.level) as known_level,
                           (r.seconds, r.last_word::integer, r.level) is distinct from (st.seconds, st.last_word, st.level) as otherwise,
                           case when r.id is null then 'new' else 'unchanged' end as outcome
                    """ + READ_BEFORE)
            .ofStudents()
            .unknown("passage", "passage_id", "passage with the code")
            .problem("read_on", "read_on > (select scope_today())", "'The date is in the future.'")
            .problem("seconds", "not (seconds > 0 and seconds < 7200)", "'A reading lasts up to two hours.'")
            .problem("limit_seconds", "limit_seconds not between 1 and 7200", "'The bell rings after 1 to 7200 seconds.'")
            .problem("last_word", "last_word < 1 or last_word > words", "'The passage has ' || words || ' words.'")
            .problem("retelling", "retelling not between 0 and 4", "'A retelling has 0 to 4 points.'")
            .problem("level", "not known_level", "'There is no level of that name in a table of levels.'")
            .problem("read_on", "old_id is not null and otherwise", "'Another reading of this passage is on record for that day; a reading is never changed.'")
            .key("student_id, passage_id, read_on").payload("%s.seconds, %s.last_word")
            .apply("""
                    insert into reading_reading (student_id, passage_id, read_on, seconds, limit_seconds, last_word, retelling, proposed_level, level, note, known_from,
                                                 recorded_by, source)
                    select student_id, passage_id, read_on, seconds, limit_seconds, last_word, retelling, level, level, note, read_on, (select scope_person()), 'imported'
                      from accepted where outcome = 'new' order by row_no""")
            .build();

    static final FileKind MARKS = FileKind.named("reading-marks", "marks of readings").least(Viewer.Role.TEACHER)
            .columns(Column.of("student", TEXT), Column.of("passage", TEXT), Column.of("read_on", DATE), Column.of("number", WHOLE), Column.of("word", WHOLE),
                    Column.choice("mark", true, Mark.Kind.class), Column.of("at_seconds", NUMBER))
            .joined("""
                    select st.*, s.id as student_id, p.id as passage_id, r.id as reading_id, r.last_word, k.word as before_word, k.kind as before_kind,
                           k.reading_id is null and exists (select from reading_mark o where o.reading_id = r.id) as marked,
                           st.mark <> 'inserted' and count(*) filter (where st.mark <> 'inserted') over (partition by r.id, st.word) > 1 as twice,
                           case when k.reading_id is null then 'new' else 'unchanged' end as outcome
                    """ + READ_BEFORE + " left join reading_mark k on k.reading_id = r.id and k.position = st.number")
            .ofStudents()
            .unknown("passage", "passage_id", "passage with the code")
            .problem("read_on", "student_id is not null and passage_id is not null and reading_id is null",
                    "'No reading of this passage is on record for that day.'")
            .problem("number", "number not between 1 and 2000", "'Marks are numbered 1 to 2000.'")
            .problem("word", "word < 0 or word > last_word or word = 0 and mark <> 'inserted'", "'The reading went from word 1 to word ' || last_word || '.'")
            .problem("at_seconds", "at_seconds < 0", "'The clock starts at 0.'")
            .problem("word", "twice", "'The file marks this word more than once; only insertions can stand beside another mark.'")
            .problem("number", "marked or (before_word, before_kind) is distinct from (word, mark) and before_word is not null",
                    "'The reading has its marks already; a marked passage is never changed.'")
            .key("reading_id, number").payload("%s.word, %s.mark")
            .apply("""
                    insert into reading_mark (reading_id, position, word, kind, at_seconds)
                    select reading_id, number, word, mark, at_seconds from accepted where outcome = 'new'""")
            .build();

    @Override
    public List<FileKind> files() {
        return List.of(PASSAGES, QUESTIONS, READINGS, MARKS);
    }
}
