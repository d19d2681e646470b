-- What was changed of how scores are read, why, and who stood elsewhere for it. What it was before is kept as it would be sent to bring it back.
create table changes_change (
  id         bigint generated always as identity primary key,
  kind       text not null check (kind in ('window', 'window-removed', 'measure', 'rule', 'set', 'tier-rule', 'ladder')),
  school_id  integer references roster_school,
  about      text not null check (about <> ''),
  words      text not null check (words <> ''),
  effect     text not null,
  reason     text not null check (reason <> ''),
  before     jsonb,
  after      jsonb not null,
  undoes     bigint unique references changes_change,
  changed_on date not null,
  changed_at timestamptz not null default now(),
  changed_by integer
);
create index on changes_change (about, id);
grant select, insert on changes_change to ladder_app;

-- A window on which nothing hangs may go.
grant delete on measures_window to ladder_app;

-- A window is closed, and opened again, for everything or for some classes and areas: an event without parts is about everything.
create table tiers_window_part (
  event_id bigint not null references tiers_window_event,
  class_id integer not null references roster_class,
  area     text not null check (area <> ''),
  primary key (event_id, class_id, area)
);
grant select, insert on tiers_window_part to ladder_app;
