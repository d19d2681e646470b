-- A table's part for the month of a day. Two may want it at once: who waited looks again in the catalogue itself, as a name's cached absence outlives the waiting.
create function monthly_part(parent text, day date) returns void language plpgsql security definer set search_path = public, pg_temp as $$
declare
  m date := date_trunc('month', day)::date;
  part text := parent || '_' || to_char(m, 'YYYYMM');
begin
  if not exists (select from pg_class c where c.relname = part and c.relnamespace = 'public'::regnamespace) then
    perform pg_advisory_xact_lock(hashtext(part));
    if not exists (select from pg_class c where c.relname = part and c.relnamespace = 'public'::regnamespace) then
      execute format('create table %I (like %I including all)', part, parent);
      -- The bounds are the same whatever zone the session is in.
      execute format('alter table %I attach partition %I for values from (%L) to (%L)', parent, part, m || ' 00:00+00', (m + interval '1 month')::date || ' 00:00+00');
    end if;
  end if;
end $$;
revoke execute on function monthly_part(text, date) from public;
create or replace function engagement_months(days date[]) returns void language plpgsql security definer set search_path = public, pg_temp as $$
begin
  perform monthly_part('engagement_action', m.first) from (select distinct date_trunc('month', d)::date as first from unnest(days) d where d is not null) m;
end $$;

-- A student's week (from Monday), kept up to date with the days: what a school's year is read from.
create table engagement_week (
  student_id integer not null references roster_student,
  monday     date not null check (extract(isodow from monday) = 1),
  minutes    double precision not null,
  actions    integer not null,
  first_day  date not null,
  last_day   date,
  primary key (student_id, monday) include (minutes, actions, first_day, last_day)
);
comment on column engagement_week.last_day is 'The last day on which anything was done; null where what is on record counts as nothing.';
alter table engagement_week enable row level security;
create policy see on engagement_week for select using ((select scope_role()) = 'administrator' or student_id in (select scope_students()));
grant select on engagement_week to ladder_app;
insert into engagement_week
select student_id, date_trunc('week', on_day)::date, sum(minutes)::double precision, sum(actions), min(on_day), max(on_day) filter (where minutes > 0 or actions > 0)
  from engagement_day group by 1, 2;

-- Counts the days of some students anew, reading each once, and the weeks in which they lie.
create or replace function engagement_recount(students integer[], days date[]) returns void language plpgsql security definer set search_path = public, pg_temp as $$
declare
  gap real := (select minutes from engagement_gap order by made_at desc limit 1);
  first date := (select min(d) from unnest(days) d);
  last date := (select max(d) from unnest(days) d);
begin
  with pair as (
    select * from unnest(students, days) p(student_id, on_day)),
  act as materialized (
    select a.id, a.student_id, a.on_day, a.kind, a.actions, a.counted,
           coalesce(a.minutes, least(extract(epoch from a.at - coalesce(lag(a.at) over (partition by a.student_id, a.on_day order by a.at, a.id), a.at)) / 60, gap), 0)::real as now
      from pair join engagement_action a using (student_id, on_day) where a.superseded_at is null and a.on_day between first and last),
  day as materialized (
    select student_id, on_day, kind, least(sum(now), 1440)::real as minutes, least(sum(actions), 1000000)::integer as actions from act group by student_id, on_day, kind),
  counted as (
    update engagement_action a set counted = t.now from act t where t.counted <> t.now and a.id = t.id and a.on_day = t.on_day and a.on_day between first and last),
  gone as (
    delete from engagement_day d using pair p where d.student_id = p.student_id and d.on_day = p.on_day
       and not exists (select from day n where n.student_id = d.student_id and n.on_day = d.on_day and n.kind = d.kind))
  insert into engagement_day as d (student_id, on_day, kind, minutes, actions) select student_id, on_day, kind, minutes, actions from day
  on conflict (student_id, on_day, kind) do update set minutes = excluded.minutes, actions = excluded.actions
   where (d.minutes, d.actions) is distinct from (excluded.minutes, excluded.actions);
  with touched as materialized (
    select distinct student_id, date_trunc('week', on_day)::date as monday from unnest(students, days) p(student_id, on_day)),
  week as materialized (
    select t.student_id, t.monday, sum(d.minutes)::double precision as minutes, sum(d.actions)::integer as actions, min(d.on_day) as first_day,
           max(d.on_day) filter (where d.minutes > 0 or d.actions > 0) as last_day
      from touched t join engagement_day d on d.student_id = t.student_id and d.on_day between t.monday and t.monday + 6 group by 1, 2),
  gone as (
    delete from engagement_week w using touched t where w.student_id = t.student_id and w.monday = t.monday
       and not exists (select from week n where n.student_id = w.student_id and n.monday = w.monday))
  insert into engagement_week as w select * from week
  on conflict (student_id, monday) do update set minutes = excluded.minutes, actions = excluded.actions, first_day = excluded.first_day, last_day = excluded.last_day
   where (w.minutes, w.actions, w.first_day, w.last_day) is distinct from (excluded.minutes, excluded.actions, excluded.first_day, excluded.last_day);
end $$;

-- As before, from the weeks; of the week that runs, from its days. Who asks is looked up once: for each of a school's weeks it takes longer than all the rest.
create or replace function engagement_classes(in_classes integer[], from_day date, as_of date)
  returns table (class_id integer, seat bigint, student_id integer, week integer, minutes double precision, actions integer, first_day date, last_day date)
  language plpgsql stable security definer set search_path = public, pg_temp as $$
declare
  runs date := date_trunc('week', as_of)::date;
  everything boolean := scope_role() = 'administrator';
begin
  if extract(isodow from from_day) <> 1 then
    raise exception 'weeks begin on Monday' using errcode = '22023';
  end if;
  return query
    with theirs as materialized (
      select s from scope_students() s where not everything),
    member as materialized (
      select e.class_id, e.student_id, dense_rank() over (partition by e.class_id order by e.student_id) as seat, everything or e.student_id in (select s from theirs) as own
        from roster_enrolment_known(as_of) e
       where e.class_id = any (in_classes) and e.starts <= as_of and (e.ends is null or e.ends >= as_of)),
    asked as materialized (
      select m.class_id, m.seat, m.student_id, m.own from member m
       where m.class_id in (select o.class_id from member o where o.own union all select scope_classes() where not everything)),
    ids as materialized (
      select array_agg(m.student_id) as all_ids from asked m),
    done as materialized (
      select w.student_id, w.monday, w.minutes, w.actions, w.first_day, w.last_day
        from engagement_week w where w.student_id = any ((select all_ids from ids)::integer[]) and w.monday >= from_day and w.monday < runs
      union all
      select d.student_id, runs, sum(d.minutes)::double precision, sum(d.actions)::integer, min(d.on_day), max(d.on_day) filter (where d.minutes > 0 or d.actions > 0)
        from engagement_day d where d.student_id = any ((select all_ids from ids)::integer[]) and d.on_day between greatest(runs, from_day) and as_of group by 1)
    select m.class_id, m.seat, case when m.own then m.student_id end, (w.monday - from_day) / 7, w.minutes, w.actions, w.first_day, w.last_day
      from asked m left join done w using (student_id);
end $$;

-- Whose an identifier is in another program is asked without naming the program, too.
create index on roster_foreign (kind, foreign_id);

-- How much came from a program on which day: its page does not count millions.
create table xapi_sent (
  sender_id  integer not null references xapi_sender,
  on_day     date not null,
  statements bigint not null,
  last       timestamptz not null,
  primary key (sender_id, on_day)
);
alter table xapi_sent enable row level security;
create policy see on xapi_sent for select using (sender_id in (select s.id from xapi_sender s));
grant select on xapi_sent to ladder_app;
insert into xapi_sent select sender_id, (stored at time zone 'UTC')::date, count(*), max(stored) from xapi_statement group by 1, 2;

-- Everybody who is named in a statement, and the statement that it is about: both are asked by.
alter table xapi_statement add agents text[] not null default '{}', add refers uuid;
update xapi_statement set agents = array[actor], refers = voids;
create index on xapi_statement (refers) where refers is not null;

-- What has been turned has its place as an action; where it was done is kept for what waits.
update xapi_statement set chain = null where turned and chain is not null;
comment on column xapi_statement.chain is 'Where it was done, from the outermost: name and address; of what waits.';

-- Who is meant by the actors of a school's statements; who is known to nobody does not come back.
create function xapi_students(in_school integer, actors text[], accounts text[]) returns table (actor text, student_id integer)
  language sql stable set search_path = public, pg_temp as $$
  select x.actor, coalesce(a.student_id, c.id, f.id)
    from (select u.actor, min(u.account) as account from unnest(actors, accounts) u(actor, account) group by u.actor) x
    left join xapi_actor a on a.school_id = in_school and a.actor = x.actor
    left join roster_student c on a.student_id is null and c.code = x.account
     and exists (select from roster_enrolment e join roster_class k on k.id = e.class_id where e.student_id = c.id and k.school_id = in_school)
    left join lateral (select r.record_id as id from roster_foreign r where r.kind = 'student' and r.foreign_id = x.account
                          and exists (select from roster_enrolment e join roster_class k on k.id = e.class_id where e.student_id = r.record_id and k.school_id = in_school)
                        order by r.record_id limit 1) f on a.student_id is null and c.id is null
   where coalesce(a.student_id, c.id, f.id) is not null
$$;
revoke execute on function xapi_students(integer, text[], text[]) from public;

-- A statement of a known student with a known verb of a kind that counts.
create type xapi_done as (statement_id uuid, student_id integer, on_day date, at timestamptz, kind text, minutes real, chain jsonb);

create function xapi_act(done xapi_done[]) returns void language plpgsql security definer set search_path = public, pg_temp as $$
begin
  -- Places from the outermost in: a place has the parent with which it came first. Most are known.
  if exists (select from unnest(done) t where not exists (select from engagement_context c where c.iri = t.chain -> -1 ->> 'iri')) then
    for level in 0..7 loop
      insert into engagement_context (id, parent_id, name, iri, path)
      select d.id, d.parent, d.name, d.iri, d.above || d.id::integer
        from (select nextval('engagement_context_id_seq') as id, x.* from (
                select distinct on (t.chain -> level ->> 'iri') t.chain -> level ->> 'iri' as iri, left(t.chain -> level ->> 'name', 200) as name, p.id as parent,
                       coalesce(p.path, '{}') as above
                  from unnest(done) t left join engagement_context p on level > 0 and p.iri = t.chain -> (level - 1) ->> 'iri'
                 where t.chain -> level is not null and (level = 0 or p.id is not null) and cardinality(coalesce(p.path, '{}')) < 8
                   and not exists (select from engagement_context o where o.iri = t.chain -> level ->> 'iri')
                 order by t.chain -> level ->> 'iri') x) d
      on conflict do nothing;
    end loop;
  end if;
  perform engagement_months(array(select distinct on_day from unnest(done)));
  insert into engagement_action (student_id, on_day, at, kind, minutes, counted, actions, context_id, statement_id)
  select t.student_id, t.on_day, t.at, t.kind, t.minutes, coalesce(t.minutes, 0), 1, c.id, t.statement_id
    from unnest(done) t left join engagement_context c on c.iri = t.chain -> -1 ->> 'iri';
end $$;
revoke execute on function xapi_act(xapi_done[]) from public;

-- Keeps a list of statements and turns those of it into actions whose student and verb are known, in one go.
create function xapi_take(in_school integer, in_sender integer, in_stored timestamptz, zone text, ids uuid[], ats timestamptz[],
                          digests text[], raws text[], actors text[],
                          accounts text[], verbs text[], activities text[], types text[], registrations uuid[], relateds text[], chains text[], told real[], voidings uuid[], agents text[], references_to uuid[])
  returns void language plpgsql security definer set search_path = public, pg_temp as $$
declare
  done xapi_done[];
begin
  if scope_role() <> 'administrator' then
    raise exception 'not yours' using errcode = '42501';
  end if;
  perform monthly_part('xapi_statement', (in_stored at time zone 'UTC')::date);
  with sent as materialized (
    select u.*, w.student_id, v.verb is not null and (w.student_id is not null or v.kind is null) and u.voids is null as turned, v.kind
      from unnest(ids, ats, digests, raws, actors, accounts, verbs, activities, types, registrations, relateds, chains, told, voidings, agents, references_to)
           as u(id, at, digest, raw, actor, account, verb, activity, activity_type, registration, related, chain, minutes, voids, named, refers)
      left join xapi_students(in_school, actors, accounts) w on w.actor = u.actor
      left join lateral (select v.verb, v.kind from xapi_verb v
                          where v.verb = u.verb and (v.school_id is null or v.school_id = in_school) and (v.activity_type is null or v.activity_type = u.activity_type)
                          order by v.school_id is null, v.activity_type is null limit 1) v on true),
  kept as (
    insert into xapi_statement (id, school_id, sender_id, stored, at, digest, raw, actor, account, verb, activity, activity_type, registration, related, chain, minutes,
                                student_id, voids, turned, agents, refers)
    select id, in_school, in_sender, in_stored, at, digest, raw::json, actor, account, verb, activity, activity_type, registration, string_to_array(related, chr(31)),
           case when not turned then chain::jsonb end, minutes, student_id, voids, turned, string_to_array(named, chr(31)), refers from sent)
  select array_agg(row(id, student_id, (at at time zone zone)::date, at, kind, minutes, chain::jsonb)::xapi_done) into done from sent where turned and kind is not null;
  insert into xapi_sent as s values (in_sender, (in_stored at time zone 'UTC')::date, cardinality(ids), in_stored)
  on conflict (sender_id, on_day) do update set statements = s.statements + excluded.statements, last = greatest(s.last, excluded.last);
  if done is not null then
    perform xapi_act(done);
  end if;
end $$;
revoke execute on function xapi_take from public;
grant execute on function xapi_take to ladder_app;
drop function xapi_month(date);

-- Turns what waits in a school and has come to be known, some at a time. Whoever sets the school up, and the clock.
drop function xapi_turn(integer, uuid[], text);
create function xapi_turn(in_school integer, zone text) returns integer language plpgsql security definer set search_path = public, pg_temp as $$
declare
  n integer := 0;
  turning integer;
  done xapi_done[];
begin
  if not scope_sets_up(in_school) then
    raise exception 'not yours' using errcode = '42501';
  end if;
  with unknown as materialized (
    select min(actor) as actor, min(account) as account from xapi_statement where school_id = in_school and student_id is null and not turned and voids is null group by actor)
  update xapi_statement s set student_id = w.student_id
    from xapi_students(in_school, (select array_agg(u.actor order by u.actor) from unknown u), (select array_agg(u.account order by u.actor) from unknown u)) w
   where s.school_id = in_school and s.student_id is null and not s.turned and s.voids is null and s.actor = w.actor;
  loop
    with ready as materialized (
      select s.id, s.stored, s.student_id, s.at, s.minutes, s.chain, v.kind
        from xapi_statement s cross join lateral (
               select v.kind from xapi_verb v where v.verb = s.verb and (v.school_id is null or v.school_id = in_school) and (v.activity_type is null or v.activity_type = s.activity_type)
                order by v.school_id is null, v.activity_type is null limit 1) v
       where s.school_id = in_school and not s.turned and not s.voided and s.voids is null and (s.student_id is not null or v.kind is null) limit 5000),
    flagged as (
      update xapi_statement s set turned = true, chain = null from ready r where s.id = r.id and s.stored = r.stored)
    select count(*), array_agg(row(id, student_id, (at at time zone zone)::date, at, kind, minutes, chain)::xapi_done) filter (where kind is not null) into turning, done from ready;
    exit when turning = 0;
    n := n + turning;
    if done is not null then
      perform xapi_act(done);
    end if;
  end loop;
  return n;
end $$;
revoke execute on function xapi_turn(integer, text) from public;
grant execute on function xapi_turn(integer, text) to ladder_app;

-- As before; what was done is added up before its places are looked at, so that no plan goes through it once for each place.
create or replace function engagement_usual(in_class integer, within integer, from_day date, to_day date, as_of date)
  returns table (context_id integer, students integer, usual double precision)
  language plpgsql stable security definer set search_path = public, pg_temp as $$
declare
  depth integer := coalesce((select cardinality(c.path) from engagement_context c where c.id = within), 0);
begin
  if scope_role() <> 'administrator' and in_class not in (select scope_classes())
     and not exists (select from roster_enrolment e where e.class_id = in_class and e.student_id in (select scope_students())) then
    return;
  end if;
  return query
    with done as materialized (
      select a.student_id, a.context_id, sum(a.counted) as minutes
        from engagement_action a
       where a.student_id = any (array(select e.student_id from roster_enrolment_known(as_of) e
                                        where e.class_id = in_class and e.starts <= as_of and (e.ends is null or e.ends >= as_of)))
         and a.on_day between from_day and to_day and a.superseded_at is null and a.context_id is not null
       group by 1, 2)
    select o.place, count(*)::integer, percentile_cont(0.5) within group (order by o.minutes)
      from (select d.student_id, c.path[depth + 1] as place, sum(d.minutes)::double precision as minutes
              from done d join engagement_context c on c.id = d.context_id and cardinality(c.path) > depth and (within is null or c.path[depth] = within)
             group by 1, 2) o
     group by o.place;
end $$;
