package org.zealousladder.server.learning.frameworks;

import static org.zealousladder.server.platform.files.Column.Type.GRADE;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;
import static org.zealousladder.server.platform.files.Column.Type.WHOLE;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.files.Reference;
import org.zealousladder.server.platform.who.Viewer;

/** Files of frameworks: their names, their skills, and what a skill rests on. */
@Component
class FrameworkFiles implements DeclaresFiles {
    static final FileKind FRAMEWORKS = FileKind.named("frameworks", "frameworks of skills").least(Viewer.Role.COORDINATOR)
            .columns(Column.of("framework", TEXT), Column.of("framework_name", TEXT), Column.optional("of_school", TEXT), Column.optional("source", TEXT))
            .joined("""
                    select st.*, s.id as school_id, f.id as old_id, f.school_id as old_school,
                           case when f.id is null then 'new' when (f.name, f.source, f.school_id, f.ended) is not distinct from (st.framework_name,
                             st.source, s.id, false) then 'unchanged'
                                else 'changed' end as outcome
                      from stage st left join roster_school s on s.code = st.of_school left join skills_framework f on f.code = st.framework""")
            .unknown("of_school", "coalesce(school_id, case when of_school is null then 0 end)", "school with the code")
            .problem("of_school", "not scope_sets_up(school_id) or old_id is not null and not scope_sets_up(old_school)",
                    "case when of_school is null then 'A framework without a school is for all schools; an administrator brings it in. Say your school.' "
                            + "else 'You do not coordinate the school ' || of_school || '.' end")
            .problem("framework", "length(framework) > 80", "'A short name of a framework has at most 80 letters.'")
            .problem("framework_name", "length(framework_name) > 120", "'A name has at most 120 letters.'")
            .problem("source", "length(source) > 200", "'A source has at most 200 letters.'")
            .key("framework").payload("%s.framework_name, %s.of_school, %s.source")
            .apply("""
                    update skills_framework f set name = a.framework_name, source = a.source, school_id = a.school_id, ended = false, changed_at = now()
                      from accepted a where a.outcome = 'changed' and f.id = a.old_id""")
            .apply("""
                    insert into skills_framework (code, school_id, name, source)
                    select framework, school_id, framework_name, source from accepted where outcome = 'new' order by row_no""")
            .build();

    static final FileKind SKILLS = FileKind.named("skills", "skills").least(Viewer.Role.COORDINATOR)
            .columns(Column.of("framework", TEXT), Column.of("skill", TEXT), Column.of("skill_name", TEXT), Column.of("area", TEXT), Column.of("domain", TEXT),
                    Column.optional("grade", GRADE), Column.optional("place", WHOLE), Column.optional("statement", TEXT),
                    Column.optional("seen_reading", TEXT))
            .joined("""
                    select x.*, case when old_id is null then 'new'
                                     when (old_name, old_area, old_domain, old_grade, old_place, old_statement, old_ended) is not distinct from
                                          (skill_name, area, domain, grade::smallint, at_place, statement, false)
                                          and (behaviour_id is null or exists (select from skills_behaviour b where b.behaviour_id = x.behaviour_id
                                            and b.skill_id = old_id)) then 'unchanged'
                                     else 'changed' end as outcome
                      from (select st.*, f.id as framework_id, f.school_id, k.id as old_id, k.framework_id as old_framework, k.name as old_name,
                        k.area as old_area, k.domain as old_domain,
                                   k.grade as old_grade, r.id as behaviour_id, k.place as old_place, k.statement as old_statement, k.ended as old_ended,
                                   coalesce(st.place, k.place, row_number() over (partition by st.framework order by st.row_no))::integer as at_place
                              from stage st left join skills_framework f on f.code = st.framework left join skills_skill k on k.code = st.skill
                              left join reading_behaviour r on r.name = st.seen_reading and (r.school_id is null or r.school_id = f.school_id)) x""")
            .unknown("framework", "framework_id", "framework of skills called")
            .problem("framework", "framework_id is not null and not scope_sets_up(school_id)", "'That framework is not yours to change.'")
            .problem("skill", "old_framework <> framework_id",
                    "'There is a skill called ' || skill || ' in another framework. Give this one another short name.'")
            .problem("skill", "length(skill) > 80", "'A short name of a skill has at most 80 letters.'")
            .problem("skill_name", "length(skill_name) > 160", "'A name has at most 160 letters.'")
            .problem("area", "length(area) > 60", "'An area has at most 60 letters.'")
            .problem("domain", "length(domain) > 80", "'A domain has at most 80 letters.'")
            .problem("seen_reading", "seen_reading is not null and behaviour_id is null",
                    "'Nothing called ' || seen_reading || ' is looked for in reading aloud.'")
            .problem("place", "place not between 0 and 100000", "'A place in the order is from 0 to 100000.'")
            .problem("statement", "length(statement) > 1000", "'A statement has at most 1000 letters.'")
            .key("skill").payload("%s.framework, %s.skill_name, %s.area, %s.domain, %s.grade, %s.place, %s.statement")
            .apply("""
                    update skills_skill k set name = a.skill_name, area = a.area, domain = a.domain, grade = a.grade, place = a.at_place,
                      statement = a.statement, ended = false,
                           changed_at = now()
                      from accepted a where a.outcome = 'changed' and k.id = a.old_id""")
            .apply("""
                    insert into skills_skill (framework_id, code, name, statement, area, domain, grade, place)
                    select framework_id, skill, skill_name, statement, area, domain, grade, at_place from accepted where outcome = 'new' order by row_no""")
            .apply("""
                    insert into skills_behaviour (behaviour_id, skill_id) select a.behaviour_id, k.id from accepted a join skills_skill k on k.code = a.skill
                     where a.behaviour_id is not null and a.outcome <> 'unchanged' on conflict do nothing""")
            .build();

    static final FileKind GROUNDS = FileKind.named("skill-grounds", "what skills rest on").least(Viewer.Role.COORDINATOR)
            .columns(Column.of("rests_on", TEXT), Column.of("skill", TEXT))
            .joined("""
                    with recursive named as (select st.*, k.id as skill_id, r.id as ground_id, f.school_id
                                               from stage st left join skills_skill k on k.code = st.skill left join skills_skill r on r.code = st.rests_on
                                               left join skills_framework f on f.id = k.framework_id),
                    edges as (select skill_id as s, rests_on as r from skills_ground union select skill_id, ground_id from named where skill_id is not null
                      and ground_id is not null),
                    reach as (select s, r from edges union select x.s, e.r from reach x join edges e on e.s = x.r)
                    select n.*, exists (select from reach where reach.s = n.ground_id and reach.r = n.skill_id) or n.skill_id = n.ground_id as circular,
                           case when g.skill_id is null then 'new' else 'unchanged' end as outcome
                      from named n left join skills_ground g on g.skill_id = n.skill_id and g.rests_on = n.ground_id""")
            .unknown("skill", "skill_id", "skill called")
            .unknown("rests_on", "ground_id", "skill called")
            .problem("skill", "skill_id is not null and not scope_sets_up(school_id)", "'That framework is not yours to change.'")
            .problem("rests_on", "circular", "'Then ' || skill || ' would rest on itself, by way of others. Leave one of them out.'")
            .key("skill_id, ground_id")
            .apply("insert into skills_ground (skill_id, rests_on) select skill_id, ground_id from accepted where outcome = 'new'")
            .build();

    private static final Reference SKILL = new Reference("skill", "skill", "select code from skills_skill", """
            select a.text, a.narrower, k.code, k.name as label, true as sure
              from asked a join skills_skill k on not k.ended and roster_plain(a.text) in (roster_plain(k.code), roster_plain(k.name))""",
            "select code, name as label from skills_skill where not ended order by framework_id, place");

    @Override
    public List<FileKind> files() {
        return List.of(FRAMEWORKS, SKILLS, GROUNDS);
    }

    @Override
    public List<Reference> references() {
        return List.of(SKILL);
    }
}
