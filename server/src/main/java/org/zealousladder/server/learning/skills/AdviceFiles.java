package org.zealousladder.server.learning.skills;

import static org.zealousladder.server.platform.files.Column.Type.TEXT;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.who.Viewer;

/** The file of what is advised where students are strong or weak. */
@Component
class AdviceFiles implements DeclaresFiles {
    static final FileKind ADVICE = FileKind.named("skill-advice", "advice for profiles").least(Viewer.Role.TEACHER)
            .columns(Column.of("framework", TEXT), Column.of("domain", TEXT), Column.choice("standing", true, List.of("strong", "weak")),
                    Column.of("advice", TEXT),
                    Column.optional("of_school", TEXT))
            .joined("""
                    select st.*, f.id as framework_id, s.id as school_id, case when a.id is null then 'new' else 'unchanged' end as outcome
                      from stage st left join skills_framework f on f.code = st.framework left join roster_school s on s.code = st.of_school
                      left join skills_advice a on a.framework_id = f.id and a.domain = st.domain and a.own = st.standing and a.advice = st.advice and not a.ended
                       and a.school_id is not distinct from s.id""")
            .unknown("framework", "framework_id", "framework of skills called")
            .unknown("of_school", "coalesce(school_id, case when of_school is null then 0 end)", "school with the code")
            .problem("of_school", "not skills_may_write(school_id)", "'Say a school at which you teach.'")
            .problem("domain",
                    "framework_id is not null and not exists (select from skills_skill k where k.framework_id = j.framework_id and k.domain = j.domain)",
                    "'The framework has no domain ' || domain || '.'")
            .problem("advice", "length(advice) > 500", "'Advice has at most 500 letters.'")
            .key("framework_id, domain, standing, advice, school_id")
            .apply("""
                    insert into skills_advice (school_id, framework_id, domain, own, advice, made_by)
                    select school_id, framework_id, domain, standing, advice, (select scope_person()) from accepted where outcome = 'new' order by row_no""")
            .build();

    @Override
    public List<FileKind> files() {
        return List.of(ADVICE);
    }
}
