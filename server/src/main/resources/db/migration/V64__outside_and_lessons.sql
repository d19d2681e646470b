-- Assessments of bodies outside the school: taken now and then, by their own calendar; neither screened for in windows nor followed from week to week.
alter table measures_measure drop constraint measures_measure_kind_check;
alter table measures_measure add constraint measures_measure_kind_check check (kind in ('screening', 'probe', 'outside'));

-- When classes and teaching groups have which lesson. A changed timetable is new rows from a day on.
create table roster_lesson (
  id       integer generated always as identity primary key,
  class_id integer references roster_class,
  group_id integer references roster_group,
  weekday  smallint not null check (weekday between 1 and 7),
  starts   time not null,
  ends     time not null check (ends > starts),
  subject  text not null check (subject <> '' and length(subject) <= 60),
  room     text check (length(room) <= 40),
  from_day date not null,
  to_day   date check (to_day >= from_day),
  check (num_nonnulls(class_id, group_id) = 1)
);
create unique index roster_lesson_once on roster_lesson (class_id, group_id, weekday, starts, from_day) nulls not distinct;
create index on roster_lesson (group_id) where group_id is not null;
comment on column roster_lesson.weekday is '1 is Monday, as ISO 8601 counts.';

alter table roster_lesson enable row level security;
create policy see on roster_lesson for select using ((select scope_role()) <> '');
create policy add on roster_lesson for insert with check (
  class_id in (select c.id from roster_class c where scope_sets_up(c.school_id)) or group_id in (select g.id from roster_group g where scope_sets_up(g.school_id)));
create policy change on roster_lesson for update using (
  class_id in (select c.id from roster_class c where scope_sets_up(c.school_id)) or group_id in (select g.id from roster_group g where scope_sets_up(g.school_id)));
grant select, insert on roster_lesson to ladder_app;
grant update (ends, subject, room, to_day) on roster_lesson to ladder_app;

select records_can_undo('roster_lesson', 'id');
do $$
begin
  execute replace(pg_get_functiondef('records_tables'::regproc), '(-10, ''skills_advice''', '(-14, ''roster_lesson'', array[''id'']), (-10, ''skills_advice''');
end $$;
