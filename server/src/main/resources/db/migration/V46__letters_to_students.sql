-- An entry among the people at home may be the student's own.
alter table roster_contact add own boolean not null default false;
comment on column roster_contact.own is 'The student''s own address, not somebody else''s.';

insert into contacts_text (id, name, purpose) overriding system value values (4, 'Well done, to the student', 'praise') on conflict do nothing;
select setval('contacts_text_id_seq', (select max(id) from contacts_text));
insert into contacts_wording (text_id, language, subject, body)
select 4, '', 'Well done', E'Dear {recipient},\n\nyou have {score} in {measure} now, {gain} more than at the start. Well done; I saw how you worked for it.\n\n{sender}'
 where not exists (select from contacts_wording where text_id = 4);

-- Who has students of the viewer's on a caseload: their advisers can be written to by those who teach them, who do not see others' caseloads.
create function contacts_advisers(students integer[], on_day date) returns table (student_id integer, person_id integer)
  language sql stable security definer set search_path = public, pg_temp as $$
  select c.student_id, c.person_id from roster_caseload c
   where c.student_id = any (students) and c.starts <= on_day and (c.ends is null or c.ends >= on_day)
     and (scope_role() = 'administrator' or c.student_id in (select s from scope_students() s))
$$;
revoke execute on function contacts_advisers(integer[], date) from public;
grant execute on function contacts_advisers(integer[], date) to ladder_app;
