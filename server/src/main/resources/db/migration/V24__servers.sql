-- Several servers over one database. Each says every two seconds that it lives; what one had begun that lives no more, another carries on.
create table server_process (
  id       uuid primary key,
  began_at timestamptz not null default now(),
  seen_at  timestamptz not null default now()
);
comment on table server_process is 'Without policy: which servers live, nothing else.';
grant select, insert, update, delete on server_process to ladder_app;

create function server_lives(server uuid) returns boolean language sql stable as $$
  select exists (select from server_process s where s.id = server and s.seen_at > now() - interval '10 seconds')
$$;

-- Who waits with a file, and who is having one read: two at once, one of each person, however many servers there are.
create table records_turn (
  person_id integer primary key,
  server_id uuid not null references server_process on delete cascade,
  asked_at  timestamptz not null default clock_timestamp(),
  began_at  timestamptz,
  step      text check (step in ('reading', 'checking', 'saving')),
  share     real check (share between 0 and 1)
);
create index on records_turn (server_id);
comment on table records_turn is 'Without policy: that somebody waits with a file and how far it is, not what is in it.';
grant select, insert, update, delete on records_turn to ladder_app;

-- A report in the making knows what was asked for and who makes it, so that another server can make it.
alter table report_job add column server_id uuid references server_process on delete set null, add column asked jsonb;
create index on report_job (server_id) where pdf is null and failed is null;

-- Takes over what no living server makes any more; what it was is told to the server alone, which makes it with the asker's rights.
create function report_adopt(by_server uuid) returns table (id bigint, person_id integer, asked text)
  language sql volatile security definer set search_path = public, pg_temp as $$
  update report_job j set server_id = by_server
   where j.id in (select o.id from report_job o
                   where o.pdf is null and o.failed is null and o.asked is not null and o.created_at > now() - interval '1 day'
                     and (o.server_id is null or not server_lives(o.server_id))
                   order by o.id limit 20 for update skip locked)
  returning j.id, j.person_id, j.asked::text
$$;
revoke execute on function report_adopt(uuid) from public;
grant execute on function report_adopt(uuid) to ladder_app;
