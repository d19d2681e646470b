package org.zealousladder.server.learning.skills;

import static org.zealousladder.server.platform.files.Column.Type.DATE;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.who.Viewer;

/** The file of what classes are being taught. */
@Component
class TaughtFiles implements DeclaresFiles {
    static final FileKind TAUGHT = FileKind.named("taught", "what classes are taught").least(Viewer.Role.TEACHER)
            .columns(Column.of("class", TEXT), Column.of("skill", TEXT), Column.of("from", DATE), Column.optional("to", DATE))
            .joined("""
                    select st.*, c.id as class_id, k.id as skill_id, t.id as old_id,
                           case when t.id is null then 'new' when t.ends is not distinct from st."to" then 'unchanged' else 'changed' end as outcome
                      from stage st left join roster_class c on c.code = st.class left join skills_skill k on k.code = st.skill
                      left join skills_taught t on t.class_id = c.id and t.skill_id = k.id and t.starts = st."from" """)
            .unknown("class", "class_id", "class with the code").unknown("skill", "skill_id", "skill called")
            .problem("class", "class_id is not null and not work_may_set((select c.school_id from roster_class c where c.id = class_id), class_id, null)",
                    "'What a class is being taught is said by its teachers.'")
            .problem("\"to\"", "\"to\" < \"from\"", "'It ends before it begins.'")
            .problem("\"from\"",
                    "old_id is null and \"to\" is null and exists (select from skills_taught t where t.class_id = j.class_id and t.skill_id = j.skill_id and t.ends is null)",
                    "'The class is being taught it already.'")
            .key("class_id, skill_id, \"from\"").payload("%s.\"to\"")
            .apply("update skills_taught t set ends = a.\"to\" from accepted a where a.outcome = 'changed' and t.id = a.old_id")
            .apply("""
                    insert into skills_taught (class_id, skill_id, starts, ends, said_by)
                    select class_id, skill_id, "from", "to", (select scope_person()) from accepted where outcome = 'new'""")
            .build();

    @Override
    public List<FileKind> files() {
        return List.of(TAUGHT);
    }
}
