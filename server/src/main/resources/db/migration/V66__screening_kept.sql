-- Screening scores of very many students, kept as they are now: what scores_screening says of each student in a window, so that a criterion over a district
-- need not look it up anew. Filled by the server from time to time, and only where there are that many; whatever has been entered since is marked, and what
-- is marked is looked up as before. So nothing is ever told from here that is not so.
create table scores_kept (
  student_id integer not null references roster_student on delete cascade,
  measure_id smallint not null references measures_measure on delete cascade,
  window_id  integer not null references measures_window on delete cascade,
  id         bigint not null,
  taken_on   date not null,
  value      double precision,
  status     text not null,
  primary key (measure_id, window_id, student_id) include (id, taken_on, value, status)
);
create index on scores_kept (student_id);
create index on scores_kept (window_id);

-- Of what it is kept. ready_after: a number given after everybody could see this row; who wrote before that has ended once all that run have higher ones.
create table scores_kept_of (
  measure_id  smallint not null references measures_measure on delete cascade,
  window_id   integer not null references measures_window on delete cascade,
  starts      date not null,
  ends        date not null,
  ready_after xid8,
  kept_at     timestamptz,
  primary key (measure_id, window_id)
);
create index on scores_kept_of (window_id);

-- What has been entered since. Nobody waits for another here: there may be several of one.
create table scores_kept_stale (
  id         bigint generated always as identity primary key,
  measure_id smallint not null references measures_measure on delete cascade,
  window_id  integer not null references measures_window on delete cascade
);
create index on scores_kept_stale (measure_id);
create index on scores_kept_stale (window_id);

alter table scores_kept enable row level security;
create policy see on scores_kept for select using ((select scope_role()) = 'administrator' or student_id in (select scope_students()));
alter table scores_kept_of enable row level security;
create policy see on scores_kept_of for select using ((select scope_role()) <> '');
alter table scores_kept_stale enable row level security;
create policy see on scores_kept_stale for select using ((select scope_role()) <> '');
grant select on scores_kept, scores_kept_of, scores_kept_stale to ladder_app;

create function scores_kept_touched() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
begin
  insert into scores_kept_stale (measure_id, window_id)
  select distinct k.measure_id, k.window_id
    from (select distinct f.measure_id, f.taken_on, f.window_id from fresh f) f
    join scores_kept_of k on k.measure_id = f.measure_id and (k.window_id = f.window_id or f.window_id is null and f.taken_on between k.starts and k.ends);
  return null;
end $$;
create trigger kept_inserted after insert on scores_score referencing new table as fresh for each statement execute function scores_kept_touched();
create trigger kept_updated after update on scores_score referencing new table as fresh for each statement execute function scores_kept_touched();
create trigger kept_deleted after delete on scores_score referencing old table as fresh for each statement execute function scores_kept_touched();

-- Who comes to a school brings scores along: they may be of days that are a window's there.
create function scores_kept_moved() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
begin
  insert into scores_kept_stale (measure_id, window_id)
  select distinct k.measure_id, k.window_id
    from (select distinct c.school_id from fresh f join roster_class c on c.id = f.class_id) f
    join roster_year y on y.school_id = f.school_id join measures_window w on w.year_id = y.id join scores_kept_of k on k.window_id = w.id;
  return null;
end $$;
create trigger kept_moved after insert on roster_enrolment referencing new table as fresh for each statement execute function scores_kept_moved();
create trigger kept_moved_on after update on roster_enrolment referencing new table as fresh for each statement execute function scores_kept_moved();

-- First step: names what is to be kept, the windows that have begun in the last three years. How many are new.
create function scores_keep_named() returns integer language plpgsql security definer set search_path = public, pg_temp as $$
declare
  n integer;
begin
  delete from scores_kept_of k using measures_window w where w.id = k.window_id and (w.starts, w.ends) <> (k.starts, k.ends);
  insert into scores_kept_of (measure_id, window_id, starts, ends)
  select m.id, w.id, w.starts, w.ends from measures_window w cross join measures_measure m
   where m.kind <> 'outside' and w.starts <= scope_today() and w.ends > scope_today() - 1100
  on conflict do nothing;
  get diagnostics n = row_count;
  return n;
end $$;

-- Second step, after that one can be seen by everybody.
create function scores_keep_seen() returns void language sql security definer set search_path = public, pg_temp as $$
  update scores_kept_of set ready_after = pg_current_xact_id() where ready_after is null
$$;

-- Third step: what is not kept yet, and what is marked, is looked up and kept. How many pairs of measure and window that was.
create function scores_keep_fresh() returns integer language plpgsql security definer set search_path = public, pg_temp set work_mem = '64MB' as $$
declare
  marks bigint[];
  pair record;
  ids integer[];
  n integer := 0;
begin
  if not pg_try_advisory_xact_lock(733) then
    return 0;
  end if;
  marks := array(select s.id from scores_kept_stale s);
  for pair in
    select k.measure_id, k.window_id, k.starts, k.ends, y.school_id
      from scores_kept_of k join measures_window w on w.id = k.window_id join roster_year y on y.id = w.year_id
     where k.ready_after < pg_snapshot_xmin(pg_current_snapshot())
       and (k.kept_at is null or exists (select from scores_kept_stale s where s.id = any (marks) and (s.measure_id, s.window_id) = (k.measure_id, k.window_id)))
     order by k.window_id
  loop
    ids := array(select distinct e.student_id from roster_enrolment e join roster_class c on c.id = e.class_id
                  where pair.school_id is null or c.school_id = pair.school_id);
    with fresh as materialized (
      select s.* from scores_screening_wide(ids, array[pair.measure_id], array[pair.window_id], array[pair.starts], array[pair.ends], 'infinity') s),
    gone as (
      delete from scores_kept k where k.measure_id = pair.measure_id and k.window_id = pair.window_id
         and not exists (select from fresh f where f.student_id = k.student_id))
    insert into scores_kept as k (student_id, measure_id, window_id, id, taken_on, value, status)
    select f.student_id, f.measure_id, f.window_id, f.id, f.taken_on, f.value, f.status from fresh f
    on conflict (measure_id, window_id, student_id) do update set id = excluded.id, taken_on = excluded.taken_on, value = excluded.value, status = excluded.status
     where (k.id, k.taken_on, k.value, k.status) is distinct from (excluded.id, excluded.taken_on, excluded.value, excluded.status);
    update scores_kept_of k set kept_at = now() where (k.measure_id, k.window_id) = (pair.measure_id, pair.window_id);
    n := n + 1;
  end loop;
  -- A mark of a pair that is not ready yet goes as well: that pair is looked up whole once it is.
  delete from scores_kept_stale s where s.id = any (marks);
  return n;
end $$;

-- Whether there are so many students.
create function scores_keep_worth(many integer) returns boolean language sql stable security definer set search_path = public, pg_temp as $$
  select count(*) >= many from (select from roster_student limit many) s
$$;
revoke execute on function scores_keep_named(), scores_keep_seen(), scores_keep_fresh(), scores_keep_worth(integer) from public;
grant execute on function scores_keep_named(), scores_keep_seen(), scores_keep_fresh(), scores_keep_worth(integer) to ladder_app;

-- (In scores_screening_wide the students are a filter, not looked up one by one: hence '+ 0'.)
-- Whether what is kept says all of these windows and measures as they are now.
create function scores_kept_tells(in_measures smallint[], in_windows integer[], in_starts date[], in_ends date[], as_of date) returns boolean
  language sql stable as $$
  select as_of >= scope_today()
     and not exists (select from scores_kept_stale d where d.window_id = any (in_windows) and d.measure_id = any (in_measures))
     and not exists (select from unnest(in_windows, in_starts, in_ends) w(id, starts, ends) cross join unnest(in_measures) m(id)
                      where not exists (select from scores_kept_of k
                                         where (k.measure_id, k.window_id, k.starts, k.ends) = (m.id, w.id, w.starts, w.ends) and k.kept_at is not null))
$$;

do $$
begin
  execute replace(pg_get_functiondef('scores_screening_wide'::regproc), 'return query
    with w as materialized', 'if scores_kept_tells(in_measures, in_windows, in_starts, in_ends, as_of) then
    return query select k.id, k.student_id, k.measure_id, k.taken_on, k.value, k.status, k.window_id from scores_kept k
      where k.measure_id = any (in_measures) and k.window_id = any (in_windows) and k.student_id + 0 = any (in_students);
    return;
  end if;
  return query
    with w as materialized');
end $$;
