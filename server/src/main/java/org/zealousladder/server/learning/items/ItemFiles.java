package org.zealousladder.server.learning.items;

import static org.zealousladder.server.platform.files.Column.Type.NUMBER;
import static org.zealousladder.server.platform.files.Column.Type.TEXT;
import static org.zealousladder.server.platform.files.Column.Type.WHOLE;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.files.Reference;
import org.zealousladder.server.platform.who.Viewer;

/** Files of items: as they are asked, the skills they show, what answers are worth; and of the checks they stand in. */
@Component
class ItemFiles implements DeclaresFiles {
    /** Kinds of items that a table can hold; matching and ordering come typed, or in packages. */
    private static final List<String> KINDS = List.of("elsewhere", "choice", "choices", "text", "number", "written");
    /** The school that is said, or the only one of whoever brings the file; none for an administrator of several: for all of them. */
    private static final String SCHOOL = "coalesce(s.id, (select min(x) from scope_schools() x where (select scope_role()) <> 'administrator' having count(*) = 1))";

    private static FileKind.Builder written(FileKind.Builder kind, String column) {
        return kind.unknown("of_school", "coalesce(named_school, case when of_school is null then 0 end)", "school with the code")
                .problem("of_school", "not skills_may_write(school_id) or old_id is not null and not skills_may_write(old_school)",
                        "case when of_school is null then 'Say which school it is for; only an administrator writes for all of them.' "
                                + "else 'You do not teach at the school ' || of_school || '.' end")
                .problem(column, "length(" + column + ") > 80", "'A short name has at most 80 letters.'");
    }

    static final FileKind ITEMS = written(FileKind.named("items", "items").least(Viewer.Role.TEACHER)
            .columns(Column.of("item", TEXT), Column.of("prompt", TEXT), Column.choice("item_kind", false, KINDS), Column.optional("choices", TEXT),
                    Column.optional("possible", NUMBER), Column.optional("of_school", TEXT), Column.optional("uri", TEXT))
            .joined("""
                    select x.*, case when old_id is null then 'new'
                                     when (old_prompt, old_kind, old_body, old_possible, old_school, old_uri, old_ended) is not distinct from
                                          (prompt, kind, body, of_points, school_id, uri, false) then 'unchanged' else 'changed' end as outcome
                      from (select st.*, s.id as named_school, %s as school_id, coalesce(st.item_kind,
                        case when st.choices is null then 'elsewhere' else 'choice' end) as kind,
                                   coalesce(st.possible, 1) as of_points, i.id as old_id, i.school_id as old_school, i.prompt as old_prompt,
                                     i.kind as old_kind, i.body as old_body,
                                   i.possible as old_possible, i.uri as old_uri, i.ended as old_ended,
                                   case when st.choices is null then '{}'::jsonb else jsonb_build_object('options', (
                                     select jsonb_agg(jsonb_build_object('id', chr(64 + o.n::integer), 'text', btrim(o.t)) order by o.n)
                                       from unnest(string_to_array(st.choices, '|')) with ordinality o(t, n))) end as body
                              from stage st left join roster_school s on s.code = st.of_school left join skills_item i on i.code = st.item) x"""
                    .formatted(SCHOOL)),
            "item")
            .problem("prompt", "length(prompt) > 4000", "'What is asked has at most 4000 letters.'")
            .problem("possible", "possible <= 0 or possible > 1000", "'The points of an item are more than 0 and at most 1000.'")
            .problem("choices", "(kind in ('choice', 'choices')) <> (choices is not null)",
                    "case when choices is null then 'Write the choices, with | between them.' else 'An item of that kind has no choices.' end")
            .problem("choices",
                    "choices is not null and (array_length(string_to_array(choices, '|'), 1) not between 2 and 12 or exists (select from unnest(string_to_array(choices, '|')) o where btrim(o) = ''))",
                    "'There are 2 to 12 choices, none of them empty.'")
            .problem("uri", "uri !~ '^[a-zA-Z][a-zA-Z0-9+.-]*:\\S+$' or length(uri) > 500", "'A name for programs (uri) is an address such as https://...'")
            .problem("uri", "exists (select from skills_item o where o.uri = j.uri and o.code <> j.item)", "'Another item has that uri.'")
            .key("item").payload("%s.prompt, %s.item_kind, %s.choices, %s.possible, %s.of_school, %s.uri")
            .apply("""
                    update skills_item i set prompt = a.prompt, kind = a.kind, body = a.body, possible = a.of_points, school_id = a.school_id, uri = a.uri,
                      ended = false, changed_at = now()
                      from accepted a where a.outcome = 'changed' and i.id = a.old_id""")
            .apply("""
                    insert into skills_item (code, school_id, kind, prompt, body, possible, uri, made_by)
                    select item, school_id, kind, prompt, body, of_points, uri, (select scope_person()) from accepted where outcome = 'new' order by row_no""")
            .build();

    /** A joined select of rows that belong to an item: {@code school_id} is the item's. */
    private static FileKind.Builder ofItem(FileKind.Builder kind) {
        return kind.unknown("item", "item_id", "item called")
                .problem("item", "item_id is not null and not skills_may_write(school_id)", "'That item is not yours to change.'");
    }

    static final FileKind ITEM_SKILLS = ofItem(FileKind.named("item-skills", "skills of items").least(Viewer.Role.TEACHER)
            .columns(Column.of("item", TEXT), Column.of("skill", TEXT))
            .joined("""
                    select st.*, i.id as item_id, i.school_id, k.id as skill_id, case when x.item_id is null then 'new' else 'unchanged' end as outcome
                      from stage st left join skills_item i on i.code = st.item left join skills_skill k on k.code = st.skill
                      left join skills_item_skill x on x.item_id = i.id and x.skill_id = k.id"""))
            .unknown("skill", "skill_id", "skill called")
            .key("item_id, skill_id")
            .apply("insert into skills_item_skill (item_id, skill_id) select item_id, skill_id from accepted where outcome = 'new'")
            .build();

    static final FileKind ITEM_ANSWERS = ofItem(FileKind.named("item-answers", "answers that items can have").least(Viewer.Role.TEACHER)
            .columns(Column.of("item", TEXT), Column.of("answer", TEXT), Column.of("worth", NUMBER), Column.optional("shows", TEXT))
            .joined("""
                    select st.*, i.id as item_id, i.school_id, skills_plain(st.answer) as plain,
                           case when k.item_id is null then 'new' when (k.share, k.shows) is not distinct from (st.worth,
                             st.shows) then 'unchanged' else 'changed' end as outcome
                      from stage st left join skills_item i on i.code = st.item left join skills_key k on k.item_id = i.id and k.answer = skills_plain(st.answer)"""))
            .problem("answer", "length(answer) > 500", "'An answer has at most 500 letters.'")
            .problem("worth", "worth not between 0 and 1", "'What an answer is worth is a share of the points, from 0 to 1.'")
            .problem("shows", "length(shows) > 200", "'What an answer shows has at most 200 letters.'")
            .key("item_id, plain").payload("%s.worth, %s.shows")
            .apply("""
                    update skills_key k set share = a.worth, shows = a.shows, said_by = (select scope_person()), said_at = now()
                      from accepted a where a.outcome = 'changed' and k.item_id = a.item_id and k.answer = a.plain""")
            .apply("""
                    insert into skills_key (item_id, answer, share, shows, said_by)
                    select item_id, plain, worth, shows, (select scope_person()) from accepted where outcome = 'new'""")
            .build();

    static final FileKind CHECKS = written(FileKind.named("checks", "checks").least(Viewer.Role.TEACHER)
            .columns(Column.of("check_code", TEXT), Column.of("check_name", TEXT), Column.optional("of_school", TEXT),
                    Column.choice("taken", false, List.of("here", "elsewhere")))
            .joined("""
                    select x.*, case when old_id is null then 'new' when (old_name, old_school, old_elsewhere, old_ended) is not distinct from
                                          (check_name, school_id, elsewhere, false) then 'unchanged' else 'changed' end as outcome
                      from (select st.*, s.id as named_school, %s as school_id, coalesce(st.taken, 'here') = 'elsewhere' as elsewhere, c.id as old_id,
                        c.school_id as old_school,
                                   c.name as old_name, c.elsewhere as old_elsewhere, c.ended as old_ended
                              from stage st left join roster_school s on s.code = st.of_school left join skills_check c on c.code = st.check_code) x"""
                    .formatted(SCHOOL)),
            "check_code")
            .problem("check_name", "length(check_name) > 120", "'A name has at most 120 letters.'")
            .key("check_code").payload("%s.check_name, %s.of_school, %s.taken")
            .apply("""
                    update skills_check c set name = a.check_name, school_id = a.school_id, elsewhere = a.elsewhere, ended = false, changed_at = now()
                      from accepted a where a.outcome = 'changed' and c.id = a.old_id""")
            .apply("""
                    insert into skills_check (code, school_id, name, elsewhere, made_by)
                    select check_code, school_id, check_name, elsewhere, (select scope_person()) from accepted where outcome = 'new' order by row_no""")
            .build();

    static final FileKind CHECK_ITEMS = FileKind.named("check-items", "items of checks").least(Viewer.Role.TEACHER)
            .columns(Column.of("check_code", TEXT), Column.of("item", TEXT), Column.optional("place", WHOLE), Column.optional("label", TEXT))
            .joined("""
                    select x.*, case when old_item is null then 'new' when (old_place, old_label) is not distinct from (at_place, coalesce(label,
                      at_place::text)) then 'unchanged'
                                     else 'changed' end as outcome
                      from (select st.*, c.id as check_id, c.school_id, i.id as item_id, o.item_id as old_item, o.place as old_place, o.label as old_label,
                                   coalesce(st.place, o.place, row_number() over (partition by st.check_code order by st.row_no))::smallint as at_place
                              from stage st left join skills_check c on c.code = st.check_code left join skills_item i on i.code = st.item
                              left join skills_check_item o on o.check_id = c.id and o.item_id = i.id) x""")
            .unknown("check_code", "check_id", "check called").unknown("item", "item_id", "item called")
            .problem("check_code", "check_id is not null and not skills_may_write(school_id)", "'That check is not yours to change.'")
            .problem("place", "place not between 1 and 500", "'A place in a check is from 1 to 500.'")
            .problem("label", "length(label) > 60", "'A label has at most 60 letters.'")
            .key("check_id, item_id").payload("%s.place, %s.label")
            .apply("""
                    update skills_check_item o set place = a.at_place, label = coalesce(a.label, a.at_place::text)
                      from accepted a where a.outcome = 'changed' and o.check_id = a.check_id and o.item_id = a.item_id""")
            .apply("""
                    insert into skills_check_item (check_id, item_id, place, label)
                    select check_id, item_id, at_place, coalesce(label, at_place::text) from accepted where outcome = 'new' order by row_no""")
            .build();

    private static final Reference ITEM = new Reference("item", "item", "select code from skills_item",
            """
            select a.text, a.narrower, i.code, left(i.prompt, 80) as label, true as sure from asked a join skills_item i on not i.ended and roster_plain(a.text) = roster_plain(i.code)""",
            "select code, left(prompt, 80) as label from skills_item where not ended order by id desc");
    private static final Reference CHECK = new Reference("check_code", "check", "select code from skills_check", """
            select a.text, a.narrower, c.code, c.name as label, true as sure
              from asked a join skills_check c on not c.ended and roster_plain(a.text) in (roster_plain(c.code), roster_plain(c.name))""",
            "select code, name as label from skills_check where not ended order by id desc");

    @Override
    public List<FileKind> files() {
        return List.of(ITEMS, ITEM_SKILLS, ITEM_ANSWERS, CHECKS, CHECK_ITEMS);
    }

    @Override
    public List<Reference> references() {
        return List.of(ITEM, CHECK);
    }
}
