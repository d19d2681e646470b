-- A person has a first role, for as long as the account is open, and others beside it, each at a school and with dates. Somebody who works with single students is an
-- interventionist: a teacher in what they may do, by a caseload instead of a class.
alter table people_person drop constraint people_person_role_check;
alter table people_person add constraint people_person_role_check check (role in ('teacher', 'interventionist', 'coordinator', 'administrator'));
alter table people_person add email text check (email ~ '^[^@\s]+@[^@\s]+$');
grant select (email), insert (email), update (email) on people_person to ladder_app;

create table people_role (
  id        integer generated always as identity primary key,
  person_id integer not null references people_person,
  role      text not null check (role in ('teacher', 'interventionist', 'coordinator', 'administrator')),
  school_id integer references roster_school,
  starts    date not null,
  ends      date check (ends >= starts),
  check ((role = 'administrator') = (school_id is null)),
  constraint people_role_once exclude using gist (person_id with =, role with =, (coalesce(school_id, 0)) with =, daterange(starts, ends, '[]') with &&)
);
create index on people_role (school_id);
alter table people_role enable row level security;
create policy see on people_role for select to ladder_app using ((select scope_role()) <> '');
create policy add on people_role for insert to ladder_app with check ((select scope_role()) = 'administrator');
create policy change on people_role for update to ladder_app using ((select scope_role()) = 'administrator');
create policy accounts on people_role to ladder_people using (true);
grant select, insert, update (ends) on people_role to ladder_app, ladder_people;
grant insert on people_teaches to ladder_people;
select records_can_undo('people_role', 'id');

-- All roles of everybody on a day.
create function people_roles(on_day date) returns table (person_id integer, role text, school_id integer) language sql stable as $$
  select p.id, p.role, p.school_id from people_person p where p.active
  union all
  select r.person_id, r.role, r.school_id from people_role r where r.starts <= on_day and (r.ends is null or r.ends >= on_day) $$;

-- The schools that the asking person coordinates, and all at which they work.
create function scope_led() returns setof integer language plpgsql stable security definer rows 2 set search_path = public, pg_temp as $$
begin
  if scope_role() = 'coordinator' then
    return query select distinct r.school_id from people_roles(scope_today()) r where r.person_id = scope_person() and r.role = 'coordinator' and r.school_id is not null;
  end if;
end $$;
create function scope_schools() returns setof integer language sql stable security definer rows 2 set search_path = public, pg_temp
  begin atomic
    select distinct r.school_id from people_roles(scope_today()) r where r.person_id = scope_person() and r.school_id is not null;
  end;

-- What somebody teaches they see in every role; a coordinator the classes of the school besides.
create or replace function scope_classes() returns setof integer language plpgsql stable security definer rows 20 set search_path = public as $$
begin
  if scope_role() = 'administrator' then
    return query select c.id from roster_class c;
    return;
  end if;
  if scope_role() in ('teacher', 'coordinator') then
    return query select t.class_id
      from people_teaches t join roster_class c on c.id = t.class_id join roster_year y on y.id = c.year_id
     where t.person_id = scope_person() and y.ends >= scope_today() - 90 and (t.ends is null or t.ends >= scope_today());
  end if;
  if scope_role() = 'coordinator' then
    return query select c.id from roster_class c where c.school_id = any (array(select scope_led()));
  end if;
end $$;

create or replace function scope_groups() returns setof integer language plpgsql stable security definer rows 10 set search_path = public, pg_temp as $$
begin
  if scope_role() = 'administrator' then
    return query select g.id from roster_group g;
    return;
  end if;
  if scope_role() in ('teacher', 'coordinator') then
    return query select l.group_id from roster_leads l join roster_group g on g.id = l.group_id join roster_year y on y.id = g.year_id
     where l.person_id = scope_person() and l.starts <= scope_today() and (l.ends is null or l.ends >= scope_today()) and y.ends >= scope_today() - 90
       and (g.ends is null or g.ends >= scope_today() - 90);
  end if;
  if scope_role() = 'coordinator' then
    return query select g.id from roster_group g where g.school_id = any (array(select scope_led()));
  end if;
end $$;

create or replace function scope_students() returns setof integer language plpgsql stable security definer rows 50 set search_path = public, pg_temp as $$
begin
  if scope_role() in ('teacher', 'coordinator') then
    return query select e.student_id from roster_enrolment e where e.class_id = any (array(select scope_classes()));
    return query select m.student_id from roster_member m where m.group_id = any (array(select scope_groups()));
    return query select k.student_id from roster_caseload k
      where k.person_id = scope_person() and k.starts <= scope_today() and (k.ends is null or k.ends >= scope_today());
  end if;
end $$;

-- The students of the schools somebody coordinates, as distinct from those they teach elsewhere.
create function scope_led_students() returns setof integer language plpgsql stable security definer rows 50 set search_path = public, pg_temp as $$
begin
  if scope_role() = 'coordinator' then
    return query select e.student_id from roster_enrolment e join roster_class c on c.id = e.class_id where c.school_id = any (array(select scope_led()));
  end if;
end $$;

create or replace function scope_caseloads() returns setof integer language plpgsql stable security definer rows 20 set search_path = public, pg_temp as $$
begin
  if scope_role() = 'administrator' then
    return query select p.id from people_person p;
    return;
  end if;
  if scope_role() in ('teacher', 'coordinator') then
    return query select scope_person();
  end if;
  if scope_role() = 'coordinator' then
    return query select r.person_id from people_roles(scope_today()) r where r.school_id = any (array(select scope_led())) and r.person_id <> scope_person();
  end if;
end $$;

create or replace function scope_sets_up(in_school integer) returns boolean language sql stable security definer set search_path = public, pg_temp
  return case scope_role() when 'administrator' then true
                           when 'coordinator' then case when in_school is null then (select count(*) = 1 from roster_school)
                                                        else coalesce(in_school in (select scope_led()), false) end
                           else false end;

alter policy add on reading_passage with check (scope_role() = 'administrator' or school_id in (select scope_schools()));
alter policy add on reading_question
  with check (exists (select from reading_passage p where p.id = passage_id and (scope_role() = 'administrator' or p.school_id in (select scope_schools()))));
alter policy add on tiers_tier with check ((select scope_role()) = 'administrator' or student_id in (select scope_led_students()));
alter policy change on tiers_tier using ((select scope_role()) = 'administrator' or student_id in (select scope_led_students()));
alter policy add on roster_group with check ((select scope_role()) = 'administrator' or school_id in (select scope_led()));
alter policy change on roster_group using ((select scope_role()) = 'administrator' or school_id in (select scope_led()));
alter policy add on roster_member with check ((select scope_role()) = 'administrator' or student_id in (select scope_led_students())
  and group_id in (select g.id from roster_group g where g.school_id in (select scope_led())));
alter policy change on roster_member using ((select scope_role()) = 'administrator' or group_id in (select g.id from roster_group g where g.school_id in (select scope_led())));
alter policy add on roster_leads with check ((select scope_role()) = 'administrator' or group_id in (select g.id from roster_group g where g.school_id in (select scope_led()))
  and person_id in (select scope_caseloads()));
alter policy change on roster_leads using ((select scope_role()) = 'administrator' or group_id in (select g.id from roster_group g where g.school_id in (select scope_led())));
alter policy add on roster_caseload with check ((select scope_role()) = 'administrator'
  or student_id in (select scope_led_students()) and person_id in (select scope_caseloads()));
alter policy change on roster_caseload using ((select scope_role()) = 'administrator'
  or student_id in (select scope_led_students()) and person_id in (select scope_caseloads()));
alter policy see on roster_grouped using (((select scope_role()) = 'administrator' or student_id in (select scope_students()))
  and ((select scope_role()) = 'administrator' or grouping_id in (select g.id from roster_grouping g where not g.sensitive) or student_id in (select scope_led_students())));
alter policy add on roster_grouped with check ((select scope_role()) = 'administrator' or student_id in (select scope_led_students()));
alter policy change on roster_grouped using ((select scope_role()) = 'administrator' or student_id in (select scope_led_students()));
alter policy add on roster_contact with check ((select scope_role()) = 'administrator' or student_id in (select scope_led_students()));
alter policy change on roster_contact using ((select scope_role()) = 'administrator' or student_id in (select scope_led_students()));

-- The school's figures without names, for whoever works there.
do $$
declare
  f text;
begin
  foreach f in array array['scores_of_school', 'trends_phases_of_school'] loop
    execute replace(pg_get_functiondef(f::regproc), 'not exists (select from people_person p where p.id = scope_person() and p.school_id = in_school)',
                    'in_school not in (select scope_schools())');
  end loop;
end $$;
drop function scope_school();

create or replace function records_tables() returns table (place integer, tab text, keys text[]) language sql immutable as $$
  select * from (values
    (1, 'reading_mark', array['reading_id', 'position']), (2, 'reading_reading', array['id']), (3, 'reading_question', array['id']), (4, 'reading_passage', array['id']),
    (5, 'plans_session', array['id']), (6, 'plans_phase', array['id']), (7, 'decisions_decision', array['id']), (8, 'plans_plan', array['id']), (9, 'plans_concern', array['id']),
    (10, 'goals_goal', array['id']), (11, 'tiers_tier', array['id']), (12, 'norms_point', array['table_id', 'percentile']), (13, 'norms_table', array['id']),
    (14, 'norms_set', array['id']), (15, 'calendar_span', array['id']), (20, 'roster_caseload', array['id']), (25, 'roster_grouped', array['id']), (26, 'roster_contact', array['id']),
    (30, 'roster_foreign', array['source', 'kind', 'foreign_id']), (40, 'roster_leads', array['id']), (50, 'roster_member', array['id']), (60, 'roster_group', array['id']),
    (65, 'people_role', array['id']), (70, 'people_teaches', array['person_id', 'class_id']), (80, 'roster_enrolment', array['id']), (90, 'measures_ladder', array['id']),
    (92, 'measures_default_set', array['id']), (94, 'measures_cut_set', array['id']), (100, 'measures_window', array['id']),
    (110, 'roster_class', array['id']), (115, 'roster_grouping', array['id']), (120, 'roster_student', array['id']), (130, 'people_person', array['id']),
    (140, 'plans_strategy', array['id']), (150, 'measures_measure', array['id']), (160, 'roster_year', array['id']), (170, 'roster_school', array['id'])) v $$;
-- Of accounts a file says the address as well.
drop trigger done_insert on people_person;
drop trigger done_update on people_person;
do $$
begin
  perform records_can_undo('people_person', 'id', (select string_agg(attname, ' ') from pg_attribute where attrelid = 'people_person'::regclass and attnum > 0
                                                     and not attisdropped and attname not in ('id', 'login', 'name', 'role', 'school_id', 'email', 'active')));
end $$;
