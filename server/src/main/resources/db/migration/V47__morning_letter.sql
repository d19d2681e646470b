-- A letter that is about no student: the morning's, to one of the school's people. It says counts, and only the postman sees it.
alter table contacts_letter alter student_id drop not null;

-- Who wants a letter in the morning.
create table digest_wish (
  person_id integer primary key references people_person,
  since     date not null,
  last_on   date,
  letter_id bigint
);
alter table digest_wish enable row level security;
create policy own on digest_wish using (person_id = (select scope_person()) or (select scope_role()) = 'administrator' and (select scope_person()) = 0)
  with check (person_id = (select scope_person()) or (select scope_role()) = 'administrator' and (select scope_person()) = 0);
grant select, insert, delete on digest_wish to ladder_app;
grant update (last_on, letter_id) on digest_wish to ladder_app;

-- What became of one's own last one.
create function digest_letter(of_person integer) returns table (state text, said text) language sql stable security definer set search_path = public, pg_temp as $$
  select l.state, l.said from digest_wish w join contacts_letter l on l.id = w.letter_id where w.person_id = of_person and of_person = scope_person()
$$;
revoke execute on function digest_letter(integer) from public;
grant execute on function digest_letter(integer) to ladder_app;
