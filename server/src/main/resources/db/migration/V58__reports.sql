-- Settings of reports that people keep for themselves; one may be sent every Monday, in sums and averages without a name.
create table reports_setting (
  id         integer generated always as identity primary key,
  person_id  integer not null references people_person on delete cascade,
  name       text not null check (length(name) between 1 and 80),
  who        text not null check (length(who) <= 2000),
  span       text not null check (span in ('week', 'four-weeks', 'year', 'dates')),
  from_day   date,
  to_day     date,
  tables     text[] not null check (cardinality(tables) between 1 and 4),
  weekly     boolean not null default false,
  last_on    date,
  letter_id  bigint references contacts_letter on delete set null,
  created_at timestamptz not null default now(),
  check ((span = 'dates') = (from_day is not null) and (from_day is null) = (to_day is null) and from_day <= to_day),
  unique (person_id, name)
);
create index on reports_setting (letter_id);
alter table reports_setting enable row level security;
create policy own on reports_setting using (person_id = (select scope_person()) or (select scope_role()) = 'administrator' and (select scope_person()) = 0)
  with check (person_id = (select scope_person()) or (select scope_role()) = 'administrator' and (select scope_person()) = 0);
grant select, insert, delete on reports_setting to ladder_app;
grant update (name, who, span, from_day, to_day, tables, weekly, last_on, letter_id) on reports_setting to ladder_app;

-- What became of the last letter, for whom it was written.
create function reports_letter_state(of_setting integer) returns text language sql stable security definer set search_path = public, pg_temp as $$
  select l.state from reports_setting r join contacts_letter l on l.id = r.letter_id where r.id = of_setting and r.person_id = scope_person()
$$;
revoke execute on function reports_letter_state(integer) from public;
grant execute on function reports_letter_state(integer) to ladder_app;
