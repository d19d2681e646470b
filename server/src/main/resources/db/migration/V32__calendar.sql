-- The days on which a school is open: its week, which is Monday to Friday where nothing is said, and what of the year is term, holiday or closure. Without a school, of every school. What is taken back stays, so that an
-- earlier day looks as it did.
create table calendar_week (
  id         integer generated always as identity primary key,
  school_id  integer not null references roster_school,
  week       smallint[] not null check (cardinality(week) between 1 and 7 and week <@ '{1,2,3,4,5,6,7}'::smallint[]),
  known_from date not null,
  made_by    integer
);
comment on column calendar_week.week is 'Days of the week, 1 for Monday; the newest row of a school counts.';
create index on calendar_week (school_id);
alter table calendar_week enable row level security;
create policy see on calendar_week for select using ((select scope_role()) <> '');
create policy add on calendar_week for insert with check (scope_sets_up(school_id));
grant select, insert on calendar_week to ladder_app;
select records_keep('calendar_week', '{}');

create table calendar_span (
  id         integer generated always as identity primary key,
  school_id  integer references roster_school,
  kind       text not null check (kind in ('term', 'holiday', 'closure')),
  starts     date not null,
  ends       date not null check (ends >= starts),
  words      text not null check (words <> ''),
  made_by    integer,
  made_at    timestamptz not null default now(),
  ended_on   date,
  ended_by   integer,
  check (ended_by is null or ended_on is not null)
);
comment on column calendar_span.words is 'What it is called; of a closure, why.';
create index on calendar_span (starts);

alter table calendar_span enable row level security;
create policy see on calendar_span for select using ((select scope_role()) <> '');
create policy add on calendar_span for insert with check (scope_sets_up(school_id));
create policy change on calendar_span for update using (scope_sets_up(school_id));
grant select, insert on calendar_span to ladder_app;
grant update (ended_on, ended_by) on calendar_span to ladder_app;
select records_keep('calendar_span', array['ended_on', 'ended_by']);
select records_can_undo('calendar_span', 'id');
