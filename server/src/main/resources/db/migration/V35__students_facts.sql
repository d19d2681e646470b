-- The grade of a student whose class has several; null: the class's own.
alter table roster_enrolment add grade smallint check (grade between 0 and 13);
grant update (grade) on roster_enrolment to ladder_app;

-- What was thought of an enrolment before it was changed, so that an earlier day shows what was known on it. Of an enrolment that has known_from its versions before that
-- day stand here; one without was always known, as a score from a file is.
alter table roster_enrolment add known_from date;
create table roster_enrolment_was (
  enrolment_id integer not null references roster_enrolment on delete cascade,
  student_id   integer not null,
  class_id     integer not null,
  grade        smallint,
  starts       date not null,
  ends         date,
  known_from   date,
  known_to     date not null
);
create index on roster_enrolment_was (enrolment_id);
create index on roster_enrolment_was (student_id);
alter table roster_enrolment_was enable row level security;
create policy see on roster_enrolment_was for select using ((select scope_role()) = 'administrator' or student_id in (select scope_students()));
grant select on roster_enrolment_was to ladder_app;

create function roster_enrolment_changed() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
begin
  -- It changes the table itself, and so is called again for that.
  if not exists (select from gone o join fresh n using (id) where (o.class_id, o.starts) is distinct from (n.class_id, n.starts) or o.ends is distinct from n.ends
                    or o.grade is distinct from n.grade) then
    return null;
  end if;
  with changed as (
    select o.* from gone o join fresh n using (id)
     where (o.class_id, o.starts) is distinct from (n.class_id, n.starts) or o.ends is distinct from n.ends or o.grade is distinct from n.grade),
  kept as (
    insert into roster_enrolment_was
    select id, student_id, class_id, grade, starts, ends, known_from, scope_today() from changed where coalesce(known_from, '-infinity') < scope_today())
  update roster_enrolment e set known_from = scope_today() from changed c where e.id = c.id and coalesce(c.known_from, '-infinity') < scope_today();
  return null;
end $$;
revoke execute on function roster_enrolment_changed() from public;
create trigger changed after update on roster_enrolment referencing old table as gone new table as fresh for each statement execute function roster_enrolment_changed();

-- Whoever was thought to be elsewhere is known to be here from the day that was changed.
create function roster_enrolment_begun() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
begin
  update roster_enrolment e set known_from = w.until
    from (select n.id, max(w.known_to) as until from fresh n join roster_enrolment_was w on w.student_id = n.student_id and w.starts <= coalesce(n.ends, 'infinity')
             and coalesce(w.ends, 'infinity') >= n.starts and w.known_to > n.starts group by n.id) w
   where e.id = w.id;
  return null;
end $$;
revoke execute on function roster_enrolment_begun() from public;
create trigger begun after insert on roster_enrolment referencing new table as fresh for each statement execute function roster_enrolment_begun();

-- The enrolments as they were known on a day.
create function roster_enrolment_known(as_of date)
  returns table (id integer, student_id integer, class_id integer, grade smallint, starts date, ends date) language sql stable as $$
    select e.id, e.student_id, e.class_id, e.grade, e.starts, e.ends from roster_enrolment e where e.known_from is null or e.known_from <= as_of
    union all
    select w.enrolment_id, w.student_id, w.class_id, w.grade, w.starts, w.ends from roster_enrolment_was w
     where (w.known_from is null or w.known_from <= as_of) and w.known_to > as_of
  $$;

-- What a student is called by those who teach them, and when they were born. What was on record before stays, for whoever asks for an earlier day.
alter table roster_student add preferred_name text check (preferred_name <> ''), add birthday date;
grant update (preferred_name, birthday) on roster_student to ladder_app;
create table roster_student_was (
  student_id     integer not null references roster_student on delete cascade,
  given_name     text not null,
  family_name    text not null,
  preferred_name text,
  birthday       date,
  known_to       date not null,
  changed_by     integer,
  changed_at     timestamptz not null default now()
);
create index on roster_student_was (student_id);
alter table roster_student_was enable row level security;
create policy see on roster_student_was for select using ((select scope_role()) = 'administrator' or student_id in (select scope_students()));
grant select on roster_student_was to ladder_app;

create function roster_student_changed() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
begin
  insert into roster_student_was (student_id, given_name, family_name, preferred_name, birthday, known_to, changed_by)
  select o.id, o.given_name, o.family_name, o.preferred_name, o.birthday, scope_today(), scope_person() from gone o join fresh n using (id)
   where (o.given_name, o.family_name) is distinct from (n.given_name, n.family_name) or o.preferred_name is distinct from n.preferred_name
      or o.birthday is distinct from n.birthday;
  return null;
end $$;
revoke execute on function roster_student_changed() from public;
create trigger changed after update on roster_student referencing old table as gone new table as fresh for each statement execute function roster_student_changed();

-- What a school keeps of its students beside their scores: support, the language at home, its own. One that is sensitive is for coordinators and administrators.
create table roster_grouping (
  id        integer generated always as identity primary key,
  code      text not null unique check (code <> ''),
  name      text not null check (name <> ''),
  school_id integer references roster_school,
  sensitive boolean not null default false,
  ended     boolean not null default false
);
insert into roster_grouping (code, name) values ('support', 'Support'), ('home-language', 'Language at home');

-- A student can have several of one grouping at a time. Without a first day it was always so, as far as is known.
create table roster_grouped (
  id            bigint generated by default as identity primary key,
  student_id    integer not null references roster_student,
  grouping_id   integer not null references roster_grouping,
  value         text not null check (value <> '' and length(value) <= 120),
  starts        date,
  ends          date check (ends >= starts),
  known_from    date,
  recorded_by   integer,
  recorded_at   timestamptz not null default now(),
  superseded_on date,
  superseded_by bigint,
  withdrawn_because text
);
create index on roster_grouped (student_id);
create unique index roster_grouped_once on roster_grouped (student_id, grouping_id, value, starts) nulls not distinct where superseded_on is null;
insert into roster_grouped (student_id, grouping_id, value) select id, 1, left(support, 120) from roster_student where support <> '';
alter table roster_student drop column support;
update records_done_row set was = was - 'support', now = now - 'support' where tab = 'roster_student';
select records_keep('roster_grouped', array['superseded_on', 'superseded_by', 'withdrawn_because'], array['student_id', 'grouping_id']);

-- People at home: who, how and when to reach them, in which language.
create table roster_contact (
  id            bigint generated by default as identity primary key,
  student_id    integer not null references roster_student,
  name          text not null check (name <> ''),
  relation      text,
  phone         text,
  email         text,
  language      text,
  reach_by      text check (reach_by in ('phone', 'message', 'email', 'letter', 'in-person')),
  reach_when    text,
  ends          date,
  known_from    date,
  recorded_by   integer,
  recorded_at   timestamptz not null default now(),
  superseded_on date,
  superseded_by bigint,
  withdrawn_because text
);
create index on roster_contact (student_id);
create unique index roster_contact_once on roster_contact (student_id, lower(name)) where superseded_on is null;
select records_keep('roster_contact', array['superseded_on', 'superseded_by', 'withdrawn_because'], array['student_id']);

alter table roster_grouping enable row level security;
create policy see on roster_grouping for select using (true);
create policy add on roster_grouping for insert with check (scope_sets_up(school_id));
create policy change on roster_grouping for update using (scope_sets_up(school_id));
grant select, insert on roster_grouping to ladder_app;
grant update (name, sensitive, ended) on roster_grouping to ladder_app;
alter table roster_grouped enable row level security;
create policy see on roster_grouped for select using (((select scope_role()) = 'administrator' or student_id in (select scope_students()))
  and ((select scope_role()) in ('administrator', 'coordinator') or grouping_id in (select g.id from roster_grouping g where not g.sensitive)));
create policy add on roster_grouped for insert with check ((select scope_role()) = 'administrator'
  or (select scope_role()) = 'coordinator' and student_id in (select scope_students()));
create policy change on roster_grouped for update using ((select scope_role()) = 'administrator'
  or (select scope_role()) = 'coordinator' and student_id in (select scope_students()));
alter table roster_contact enable row level security;
create policy see on roster_contact for select using ((select scope_role()) = 'administrator' or student_id in (select scope_students()));
create policy add on roster_contact for insert with check ((select scope_role()) = 'administrator'
  or (select scope_role()) = 'coordinator' and student_id in (select scope_students()));
create policy change on roster_contact for update using ((select scope_role()) = 'administrator'
  or (select scope_role()) = 'coordinator' and student_id in (select scope_students()));
grant select, insert on roster_grouped, roster_contact to ladder_app;
grant update (superseded_on, superseded_by, withdrawn_because) on roster_grouped, roster_contact to ladder_app;
grant usage on sequence roster_grouped_id_seq, roster_contact_id_seq to ladder_app;

-- The name that lists show. As people call them: a preferred name stands for the given one.
create or replace function roster_tell_namesakes() returns void language sql security definer set search_path = public as $$
  with shared as (
    select distinct unnest(array_agg(distinct s.id)) as id
      from roster_enrolment e join roster_class c on c.id = e.class_id join roster_student s on s.id = e.student_id
     group by c.school_id, c.year_id, lower(coalesce(s.preferred_name, s.given_name)), lower(s.family_name) having count(distinct s.id) > 1)
  update roster_student s set namesake = not s.namesake where s.namesake <> (s.id in (select id from shared))
$$;

-- By the student's own grade.
create or replace function scores_of_school(in_school integer, in_window integer, in_measures smallint[], in_grades smallint[], as_of date)
  returns table (measure_id smallint, grade smallint, value double precision)
  language plpgsql stable security definer set search_path = public as $$
declare
  ids integer[];
  grades smallint[];
  opens date;
  closes date;
begin
  if scope_role() <> 'administrator' and not exists (select from people_person p where p.id = scope_person() and p.school_id = in_school) then
    return;
  end if;
  select x.starts, x.ends into opens, closes from measures_window x where x.id = in_window;
  select array_agg(e.student_id), array_agg(coalesce(e.grade, c.grade)) into ids, grades
    from roster_enrolment e join roster_class c on c.id = e.class_id and c.school_id = in_school and coalesce(e.grade, c.grade) = any (in_grades)
   where e.starts <= least(closes, as_of) and (e.ends is null or e.ends >= least(closes, as_of));
  -- Plain values, so that the planner sees into the function.
  return query
    select s.measure_id, h.grade, s.value
      from scores_screening(ids, in_measures, array[in_window], array[opens], array[closes], as_of) s
      join unnest(ids, grades) as h(student_id, grade) on h.student_id = s.student_id
     where s.value is not null;
end $$;
do $$
declare
  body text := pg_get_functiondef('trends_phases_of_school'::regproc);
begin
  execute replace(replace(body, 'g.measure_id, c.grade, greatest', 'g.measure_id, coalesce(e.grade, c.grade) as grade, greatest'), 'c.grade = any (in_grades)', 'coalesce(e.grade, c.grade) = any (in_grades)');
end $$;

-- Erased is also what a student is called by others, was called, belongs to, and who is at home.
do $$
declare
  body text := pg_get_functiondef('roster_erase'::regproc);
begin
  body := replace(body, 'support = null, erased_on', 'preferred_name = null, birthday = null, erased_on');
  body := replace(body, '-- Words about them.', 'delete from roster_student_was where student_id = s.id;
  delete from roster_grouped where student_id = s.id;
  delete from roster_contact where student_id = s.id;
  -- Words about them.');
  body := replace(body, 'delete from once_answer where', 'update changes_change set words = replace(words, s.preferred_name, ''an erased student''), effect = replace(effect, s.preferred_name, ''an erased student''),
         reason = replace(reason, s.preferred_name, ''an erased student'')
   where s.preferred_name is not null and words || coalesce(effect, '''') || reason like ''%'' || s.preferred_name || ''%'';
  delete from once_answer where s.preferred_name is not null and answer::text like ''%'' || s.preferred_name || ''%'' or');
  execute body;
end $$;

-- What can be undone, table by table, with its key: those that refer come before those that are referred to.
create function records_tables() returns table (place integer, tab text, keys text[]) language sql immutable as $$
  select * from (values
    (1, 'reading_mark', array['reading_id', 'position']), (2, 'reading_reading', array['id']), (3, 'reading_question', array['id']), (4, 'reading_passage', array['id']),
    (5, 'plans_session', array['id']), (6, 'plans_phase', array['id']), (7, 'decisions_decision', array['id']), (8, 'plans_plan', array['id']), (9, 'plans_concern', array['id']),
    (10, 'goals_goal', array['id']), (11, 'tiers_tier', array['id']), (12, 'norms_point', array['table_id', 'percentile']), (13, 'norms_table', array['id']),
    (14, 'norms_set', array['id']), (15, 'calendar_span', array['id']), (20, 'roster_caseload', array['id']), (25, 'roster_grouped', array['id']), (26, 'roster_contact', array['id']),
    (30, 'roster_foreign', array['source', 'kind', 'foreign_id']), (40, 'roster_leads', array['id']), (50, 'roster_member', array['id']), (60, 'roster_group', array['id']),
    (70, 'people_teaches', array['person_id', 'class_id']), (80, 'roster_enrolment', array['id']), (90, 'measures_ladder', array['id']), (92, 'measures_default_set', array['id']),
    (94, 'measures_cut_set', array['id']), (100, 'measures_window', array['id']),
    (110, 'roster_class', array['id']), (115, 'roster_grouping', array['id']), (120, 'roster_student', array['id']), (130, 'people_person', array['id']),
    (140, 'plans_strategy', array['id']), (150, 'measures_measure', array['id']), (160, 'roster_year', array['id']), (170, 'roster_school', array['id'])) v $$;
revoke execute on function records_tables() from public;
create or replace function records_undo(done bigint, because text) returns void language plpgsql security definer set search_path = public, pg_temp as $$
declare
  d records_done;
  t record;
begin
  select * into d from records_done where id = done and undone_at is null and undoable for update;
  if not found then
    raise exception 'nothing to undo' using errcode = '02000';
  end if;
  if scope_role() <> 'administrator' and d.person_id is distinct from scope_person() then
    raise exception 'somebody else did it' using errcode = '42501';
  end if;
  perform set_config('ladder.doing', '', true);
  if exists (select from records_done_row r join measures_closed() k on k.student_id = (r.now ->> 'student_id')::integer and k.window_id = (r.now ->> 'window_id')::integer
                                                                    and k.area = r.now ->> 'area'
              where r.done_id = done and r.tab = 'tiers_tier') then
    raise exception 'the window is closed' using errcode = '55000', detail = 'window';
  end if;
  perform records_undo_scores(d.at, d.person_id);
  for t in select tab, keys from records_tables() order by place loop
    perform records_undo_table(done, t.tab, t.keys);
  end loop;
  perform roster_tell_namesakes();
  update records_done set undone_at = now(), undone_by = scope_person(), undone_because = because where id = done;
  delete from records_done_row where done_id = done;
end $$;

drop trigger done_insert on roster_enrolment;
drop trigger done_update on roster_enrolment;
-- A plan that has sessions or phases of later is one that something rests on.
alter table plans_phase add foreign key (plan_root) references plans_plan;
alter table plans_session add foreign key (plan_root) references plans_plan;
select records_can_undo(t.tab::regclass, array_to_string(t.keys, ' ')) from records_tables() t where t.place < 15 or t.tab in ('measures_cut_set', 'measures_default_set');
-- What is noted of somebody who is erased goes whole, and what they were part of is no longer to be undone.
create or replace function records_forget_erased() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
begin
  with gone as (delete from records_done_row where tab = 'roster_student' and (now ->> 'id')::bigint = new.id or (now ->> 'student_id')::bigint = new.id returning done_id)
  update records_done set undoable = false where id in (select done_id from gone);
  return null;
end $$;
select records_can_undo('roster_enrolment', 'id', 'known_from'), records_can_undo('roster_grouping', 'id'), records_can_undo('roster_grouped', 'id'), records_can_undo('roster_contact', 'id');
