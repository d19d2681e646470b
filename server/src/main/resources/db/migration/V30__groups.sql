-- Teaching groups beside the home class: a subject, a lesson, a reading group, with dates and teachers of their own. Tiers and norms go by the home class; whose
-- students are looked at can be either.
create table roster_group (
  id        integer generated always as identity primary key,
  code      text not null unique check (code <> ''),
  school_id integer not null references roster_school,
  year_id   integer not null references roster_year,
  name      text not null check (name <> ''),
  subject   text,
  ends      date,
  unique (school_id, year_id, name)
);

create table roster_member (
  id         integer generated always as identity primary key,
  group_id   integer not null references roster_group,
  student_id integer not null references roster_student,
  starts     date not null,
  ends       date check (ends >= starts),
  constraint roster_member_once exclude using gist (group_id with =, student_id with =, daterange(starts, ends, '[]') with &&)
);
create index on roster_member (student_id);

create table roster_leads (
  id        integer generated always as identity primary key,
  group_id  integer not null references roster_group,
  person_id integer not null references people_person,
  starts    date not null,
  ends      date check (ends >= starts),
  constraint roster_leads_once exclude using gist (group_id with =, person_id with =, daterange(starts, ends, '[]') with &&)
);
create index on roster_leads (person_id);

-- As for classes: a teacher keeps a group for 90 days after its year has ended.
create function scope_groups() returns setof integer language plpgsql stable security definer rows 10 set search_path = public, pg_temp as $$
begin
  if scope_role() = 'teacher' then
    return query select l.group_id from roster_leads l join roster_group g on g.id = l.group_id join roster_year y on y.id = g.year_id
     where l.person_id = scope_person() and l.starts <= scope_today() and (l.ends is null or l.ends >= scope_today()) and y.ends >= scope_today() - 90
       and (g.ends is null or g.ends >= scope_today() - 90);
  elsif scope_role() = 'coordinator' then
    return query select g.id from people_person p join roster_group g on g.school_id = p.school_id where p.id = scope_person();
  elsif scope_role() = 'administrator' then
    return query select g.id from roster_group g;
  end if;
end $$;

create or replace function scope_students() returns setof integer language plpgsql stable security definer rows 50 set search_path = public as $$
begin
  if scope_role() in ('teacher', 'coordinator') then
    return query select e.student_id from roster_enrolment e where e.class_id = any (array(select scope_classes()));
    if scope_role() = 'teacher' then
      return query select m.student_id from roster_member m where m.group_id = any (array(select scope_groups()));
    end if;
  end if;
end $$;

alter table roster_group enable row level security;
alter table roster_member enable row level security;
alter table roster_leads enable row level security;
create policy see on roster_group for select using (true);
create policy add on roster_group for insert with check ((select scope_role()) = 'administrator' or (select scope_role()) = 'coordinator' and school_id = (select scope_school()));
create policy change on roster_group for update using ((select scope_role()) = 'administrator' or (select scope_role()) = 'coordinator' and school_id = (select scope_school()));
create policy see on roster_member for select using ((select scope_role()) = 'administrator' or student_id in (select scope_students()));
create policy add on roster_member for insert with check (((select scope_role()) = 'administrator' or (select scope_role()) = 'coordinator' and student_id in (select scope_students()))
  and group_id in (select scope_groups()));
create policy change on roster_member for update using ((select scope_role()) in ('administrator', 'coordinator') and group_id in (select scope_groups()));
create policy see on roster_leads for select using ((select scope_role()) <> '');
create policy add on roster_leads for insert with check ((select scope_role()) = 'administrator' or (select scope_role()) = 'coordinator' and group_id in (select scope_groups())
  and exists (select from people_person p where p.id = person_id and p.school_id = (select scope_school())));
create policy change on roster_leads for update using ((select scope_role()) in ('administrator', 'coordinator') and group_id in (select scope_groups()));
grant select, insert on roster_group, roster_member, roster_leads to ladder_app;
grant update (name, subject, ends) on roster_group to ladder_app;
grant update (ends) on roster_member, roster_leads to ladder_app;

select records_can_undo('roster_group', 'id'), records_can_undo('roster_member', 'id'), records_can_undo('roster_leads', 'id');
-- Who is taught in words, of the year that runs rather than of one that is only set up.
create or replace view people_taught as
  select t.person_id, string_agg(c.name, ', ' order by c.name) as classes
    from people_teaches t join roster_class c on c.id = t.class_id
   where c.year_id = (select y.id from roster_year y order by y.starts <= scope_today() desc, y.starts desc limit 1) and (t.ends is null or t.ends >= scope_today())
   group by t.person_id;

-- One move in one statement: the home class before ends the day before the other begins.
create function roster_move(student integer, into_class integer, from_day date) returns void language plpgsql security invoker set search_path = public, pg_temp as $$
begin
  update roster_enrolment set ends = from_day - 1
   where student_id = student and starts < from_day and (ends is null or ends >= from_day);
  insert into roster_enrolment (student_id, class_id, starts) values (student, into_class, from_day);
end $$;
