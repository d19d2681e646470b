-- A private calendar of one's own: by its secret alone it is read, so only a digest of that is kept.
create table feed_calendar (
  person_id integer primary key references people_person,
  digest    text not null unique check (length(digest) = 64),
  made_at   timestamptz not null default now()
);
alter table feed_calendar enable row level security;
create policy own on feed_calendar using (person_id = (select scope_person()) or (select scope_role()) = 'administrator' and (select scope_person()) = 0)
  with check (person_id = (select scope_person()));
grant select, insert, delete on feed_calendar to ladder_app;
