-- What things are called in the systems they come from. A number of theirs is unique within its source and its kind, and is never shown in place of our code.
create table roster_foreign (
  source     text not null check (source <> ''),
  kind       text not null check (kind in ('school', 'year', 'class', 'group', 'student', 'person', 'enrolment', 'member', 'teaching', 'lead')),
  foreign_id text not null check (foreign_id <> '' and length(foreign_id) <= 255),
  record_id  integer not null,
  second_id  integer,
  changed_at timestamptz,
  primary key (source, kind, foreign_id)
);
comment on column roster_foreign.record_id is 'Of the kind''s own table; of a teaching, which has no number of its own, the person.';
comment on column roster_foreign.second_id is 'Of a teaching, the class.';
comment on column roster_foreign.changed_at is 'When its source last changed it, as far as that says so: what is older is passed over.';
create index on roster_foreign (kind, record_id);

alter table roster_foreign enable row level security;
create policy see on roster_foreign for select using ((select scope_role()) = 'administrator'
  or (select scope_role()) <> '' and case kind when 'student' then record_id in (select scope_students())
       when 'enrolment' then exists (select from roster_enrolment e where e.id = record_id)
       when 'member' then exists (select from roster_member m where m.id = record_id) else true end);
create policy add on roster_foreign for insert with check ((select scope_role()) = 'administrator');
create policy change on roster_foreign for update using ((select scope_role()) = 'administrator');
grant select, insert on roster_foreign to ladder_app;
grant update (record_id, second_id, changed_at) on roster_foreign to ladder_app;

-- A moment as a file writes it; null for what is none.
create function roster_moment(written text) returns timestamptz language plpgsql stable parallel safe set search_path = public, pg_temp as $$
begin
  return case when written ~ '^\d{4}-\d\d-\d\dT\d\d:\d\d' then written::timestamptz end;
exception when data_exception then
  return null;
end $$;

-- A grade as the vocabulary of rosters has it; null for what has no place in our order.
create function roster_grade(written text) returns integer language sql immutable parallel safe
  return case when upper(trim(written)) in ('KG', 'TK', 'PK', 'PR') then 0 when trim(written) ~ '^0?[1-9]$|^1[0-3]$' then trim(written)::integer end;

create function roster_forget_foreign() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
begin
  delete from roster_foreign where kind = 'student' and record_id = new.id
     or kind = 'enrolment' and record_id in (select id from roster_enrolment where student_id = new.id)
     or kind = 'member' and record_id in (select id from roster_member where student_id = new.id);
  return null;
end $$;
revoke execute on function roster_forget_foreign() from public;
create trigger erased_is_called_nothing after update of erased_on on roster_student for each row when (new.erased_on is not null) execute function roster_forget_foreign();

-- A file can end an account, and open none again.
create function people_end(people integer[]) returns integer language plpgsql security definer set search_path = public, pg_temp as $$
declare
  n integer;
begin
  if scope_role() <> 'administrator' then
    raise exception 'an administrator ends accounts' using errcode = '42501';
  end if;
  update people_person set active = false where id = any (people) and active and id is distinct from scope_person();
  get diagnostics n = row_count;
  return n;
end $$;
revoke execute on function people_end(integer[]) from public;
grant execute on function people_end(integer[]) to ladder_app;
drop trigger done_insert on people_person;
drop trigger done_update on people_person;
do $$
begin
  perform records_can_undo('people_person', 'id', (select string_agg(attname, ' ') from pg_attribute where attrelid = 'people_person'::regclass and attnum > 0
                                                     and not attisdropped and attname not in ('id', 'login', 'name', 'role', 'school_id', 'active')));
end $$;
select records_can_undo('roster_foreign', 'source kind foreign_id');

-- As before, and what things are called elsewhere goes first.
create or replace function records_undo(done bigint, because text) returns void language plpgsql security definer set search_path = public, pg_temp as $$
declare
  d records_done;
begin
  select * into d from records_done where id = done and undone_at is null and undoable for update;
  if not found then
    raise exception 'nothing to undo' using errcode = '02000';
  end if;
  if scope_role() <> 'administrator' and d.person_id is distinct from scope_person() then
    raise exception 'somebody else did it' using errcode = '42501';
  end if;
  perform set_config('ladder.doing', '', true);
  perform records_undo_scores(d.at, d.person_id);
  -- Those that refer come before those that are referred to.
  perform records_undo_table(done, 'calendar_span', array['id']), records_undo_table(done, 'roster_caseload', array['id']), records_undo_table(done, 'roster_foreign', array['source', 'kind', 'foreign_id']),
          records_undo_table(done, 'roster_leads', array['id']), records_undo_table(done, 'roster_member', array['id']), records_undo_table(done, 'roster_group', array['id']),
          records_undo_table(done, 'people_teaches', array['person_id', 'class_id']), records_undo_table(done, 'roster_enrolment', array['id']),
          records_undo_table(done, 'measures_ladder', array['id']), records_undo_table(done, 'measures_window', array['id']),
          records_undo_table(done, 'roster_class', array['id']), records_undo_table(done, 'roster_student', array['id']),
          records_undo_table(done, 'people_person', array['id']), records_undo_table(done, 'plans_strategy', array['id']),
          records_undo_table(done, 'measures_measure', array['id']), records_undo_table(done, 'roster_year', array['id']),
          records_undo_table(done, 'roster_school', array['id']);
  perform roster_tell_namesakes();
  update records_done set undone_at = now(), undone_by = scope_person(), undone_because = because where id = done;
  delete from records_done_row where done_id = done;
end $$;

-- For what goes out: the number a thing has in that system, or else one made of its kind and our own.
create function or_id(of text, record integer, wanted text) returns text language sql stable parallel safe
  return coalesce((select min(f.foreign_id) from roster_foreign f where f.kind = of and f.record_id = record and f.source = wanted), of || '-' || record);

-- The screening scores of a year with the class the student was in on the day.
create function or_screening(in_year integer, in_school integer, as_of date)
  returns table (id bigint, student_id integer, measure_id smallint, taken_on date, value double precision, status text, window_id integer, class_id integer)
  language sql stable as $$
    with w as (select * from measures_window where year_id = in_year),
    students as (select distinct e.student_id from roster_enrolment e join roster_class c on c.id = e.class_id join roster_student s on s.id = e.student_id and s.erased_on is null
                  where c.year_id = in_year and (in_school is null or c.school_id = in_school))
    select s.id, s.student_id, s.measure_id, s.taken_on, s.value, s.status, s.window_id, c.id
      from scores_screening(array(select st.student_id from students st), array(select m.id from measures_measure m), array(select w.id from w order by w.id),
                            array(select w.starts from w order by w.id), array(select w.ends from w order by w.id), as_of) s
      join roster_enrolment e on e.student_id = s.student_id and s.taken_on between e.starts and coalesce(e.ends, 'infinity')
      join roster_class c on c.id = e.class_id and c.year_id = in_year and (in_school is null or c.school_id = in_school)
  $$;
