package org.zealousladder.server.records;

import static org.zealousladder.server.records.Column.Type.TEXT;
import static org.zealousladder.server.records.Column.Type.WHOLE;

import java.util.List;

/** Files of passages to read aloud and of the questions about them. */
final class ReadingKinds {
    private ReadingKinds() {}

    /** A passage that has been read cannot be changed: its words are numbered in the readings. */
    static final ImportKind PASSAGES = ImportKind.named("passages", "passages")
            .columns(Column.of("passage", TEXT), Column.of("title", TEXT), Column.of("text", TEXT), Column.optional("grade", WHOLE), Column.optional("school", TEXT))
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
                    select passage, school_id, title, grade, text, scope_person() from accepted where outcome = 'new' order by row_no""")
            .build();

    static final ImportKind QUESTIONS = ImportKind.named("passage-questions", "questions about passages")
            .columns(Column.of("passage", TEXT), Column.of("number", WHOLE), Column.choice("question_kind", true, "literal", "inferential"), Column.of("question", TEXT),
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

    static List<ImportKind> all() {
        return List.of(PASSAGES, QUESTIONS);
    }
}
