-- Who looked at whose records, took them out or printed them, signed in or failed to, and what was changed of rights. Added to and never changed; whole
-- months go when they are old enough. A look at a class says how many students it showed, a look at one says which.
create table audit_event (
  id         bigint generated always as identity,
  at         timestamptz not null default clock_timestamp(),
  person_id  integer,
  address    text,
  kind       text not null check (kind in ('look', 'export', 'print', 'import', 'rights', 'sign-in', 'refused')),
  what       text not null check (what <> '' and length(what) <= 200),
  about      text check (length(about) <= 200),
  student_id integer,
  students   integer check (students >= 0),
  about_person integer
) partition by range (at);
create index on audit_event (at, id);
create index on audit_event (person_id, at);
create index on audit_event (student_id, at) where student_id is not null;
-- Nothing is ever lost for want of a month.
create table audit_event_other partition of audit_event default;

-- The months from this one to the one after next.
create function audit_months() returns void language plpgsql security definer set search_path = public, pg_temp as $$
declare
  first date;
begin
  for i in 0..2 loop
    first := (date_trunc('month', now()) + make_interval(months => i))::date;
    if to_regclass('audit_event_' || to_char(first, 'YYYY_MM')) is null
       and not exists (select from audit_event_other o where o.at >= first and o.at < first + interval '1 month') then
      execute format('create table %I partition of audit_event for values from (%L) to (%L)', 'audit_event_' || to_char(first, 'YYYY_MM'), first,
                     first + interval '1 month');
    end if;
  end loop;
end $$;
select audit_months();

-- What is older than so many years goes, a month at a time; never what is younger than one.
create function audit_forget(years integer) returns integer language plpgsql security definer set search_path = public, pg_temp as $$
declare
  old text;
  gone integer := 0;
begin
  for old in select c.relname from pg_inherits i join pg_class c on c.oid = i.inhrelid
              where i.inhparent = 'audit_event'::regclass and c.relname ~ '^audit_event_\d{4}_\d{2}$'
                and to_date(right(c.relname, 7), 'YYYY_MM') + interval '1 month' <= now() - make_interval(years => greatest(years, 1)) loop
    execute format('drop table %I', old);
    gone := gone + 1;
  end loop;
  return gone;
end $$;
revoke execute on function audit_months(), audit_forget(integer) from public;
grant execute on function audit_months(), audit_forget(integer) to ladder_people;

alter table audit_event enable row level security;
create policy note on audit_event for insert to ladder_people with check (true);
create policy search on audit_event for select to ladder_app using ((select scope_role()) = 'administrator');
grant insert on audit_event to ladder_people;
grant select on audit_event to ladder_app;
select records_keep('audit_event', '{}');
