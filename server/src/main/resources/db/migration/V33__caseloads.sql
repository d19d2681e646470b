-- A caseload: named students, with dates, for somebody who works with them across classes and schools. Like a teaching group it lets them be seen; unlike one it is one
-- person's.
create table roster_caseload (
  id         integer generated always as identity primary key,
  person_id  integer not null references people_person,
  student_id integer not null references roster_student,
  starts     date not null,
  ends       date check (ends >= starts),
  made_by    integer,
  constraint roster_caseload_once exclude using gist (person_id with =, student_id with =, daterange(starts, ends, '[]') with &&)
);
create index on roster_caseload (student_id);

create or replace function scope_students() returns setof integer language plpgsql stable security definer rows 50 set search_path = public, pg_temp as $$
begin
  if scope_role() in ('teacher', 'coordinator') then
    return query select e.student_id from roster_enrolment e where e.class_id = any (array(select scope_classes()));
    if scope_role() = 'teacher' then
      return query select m.student_id from roster_member m where m.group_id = any (array(select scope_groups()));
    end if;
    return query select k.student_id from roster_caseload k
      where k.person_id = scope_person() and k.starts <= scope_today() and (k.ends is null or k.ends >= scope_today());
  end if;
end $$;

-- Whose caseload one may open: one's own, those of the people of one's school, everybody's.
create function scope_caseloads() returns setof integer language plpgsql stable security definer rows 20 set search_path = public, pg_temp as $$
begin
  if scope_role() = 'administrator' then
    return query select p.id from people_person p;
  elsif scope_role() = 'coordinator' then
    return query select p.id from people_person p where p.school_id = scope_school();
  elsif scope_role() = 'teacher' then
    return query select scope_person();
  end if;
end $$;

alter table roster_caseload enable row level security;
create policy see on roster_caseload for select using (person_id in (select scope_caseloads()) and ((select scope_role()) = 'administrator' or student_id in (select scope_students())));
create policy add on roster_caseload for insert with check ((select scope_role()) in ('administrator', 'coordinator') and person_id in (select scope_caseloads())
  and ((select scope_role()) = 'administrator' or student_id in (select scope_students())));
create policy change on roster_caseload for update using ((select scope_role()) in ('administrator', 'coordinator') and person_id in (select scope_caseloads()));
grant select, insert on roster_caseload to ladder_app;
grant update (ends) on roster_caseload to ladder_app;

-- A class can end before its year does; who is in it ends with it.
alter table roster_class add ends date;
grant update (ends) on roster_class to ladder_app;
alter table records_done drop constraint records_done_kind_check;
alter table records_done add constraint records_done_kind_check check (kind in ('import', 'next-year', 'classes'));

-- Many moves in one statement each. Who begins in the class on that day or later already, or in another one, is refused by the constraint.
create function roster_move_many(students integer[], into_class integer, from_day date) returns integer language plpgsql security invoker set search_path = public, pg_temp as $$
declare
  n integer;
begin
  update roster_enrolment set ends = from_day - 1
   where student_id = any (students) and class_id <> into_class and starts < from_day and (ends is null or ends >= from_day);
  insert into roster_enrolment (student_id, class_id, starts)
  select s, into_class, from_day from unnest(students) s
   where not exists (select from roster_enrolment e where e.student_id = s and e.class_id = into_class and (e.ends is null or e.ends >= from_day));
  get diagnostics n = row_count;
  return n;
end $$;

create function roster_end_class(of integer, last_day date) returns integer language plpgsql security invoker set search_path = public, pg_temp as $$
declare
  n integer;
begin
  update roster_enrolment set ends = last_day where class_id = of and starts <= last_day and (ends is null or ends > last_day);
  get diagnostics n = row_count;
  update people_teaches set ends = last_day where class_id = of and (ends is null or ends > last_day);
  update roster_class set ends = last_day where id = of;
  return n;
end $$;

-- How many students each person has on the caseload, for choosing a sample person before signing in.
create view people_caseload_size as
  select person_id, count(*)::integer as students from roster_caseload where starts <= scope_today() and (ends is null or ends >= scope_today()) group by person_id;
grant select on people_caseload_size to ladder_people;
select records_can_undo('roster_caseload', 'id');
