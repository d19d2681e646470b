-- What was done to many at once (a file brought in, a year turned) and can be undone as a whole, as long as nothing rests on it. What it did to each row of the tables
-- below is noted by triggers; scores are found by the moment and the person, as everything of one file has them.
create table records_done (
  id             bigint generated always as identity primary key,
  kind           text not null check (kind in ('import', 'next-year')),
  words          text not null check (words <> ''),
  what           text not null,
  undoable       boolean not null,
  at             timestamptz not null default now(),
  person_id      integer not null,
  undone_at      timestamptz,
  undone_by      integer,
  undone_because text,
  check ((undone_at is null) = (undone_because is null))
);
create index on records_done (at);

create table records_done_row (
  done_id bigint not null references records_done on delete cascade,
  seq     bigint generated always as identity,
  tab     text not null,
  was     jsonb,
  now     jsonb not null,
  primary key (done_id, seq)
);
create index on records_done_row (tab, ((now ->> 'id')::bigint)) where tab = 'roster_student';

alter table records_done enable row level security;
create policy see on records_done for select using (person_id = (select scope_person()) or (select scope_role()) = 'administrator');
create policy add on records_done for insert with check (person_id = (select scope_person()));
create policy change on records_done for update using (person_id = (select scope_person()) and at = now());
alter table records_done_row enable row level security;
comment on table records_done_row is 'Without policy: written and read by functions of the owner alone.';
grant select, insert on records_done to ladder_app;
grant update (undoable, what) on records_done to ladder_app;

-- Notes what one statement did to a table, where something that can be undone is being done. Arguments: the columns of its key, and columns that are nobody's business.
create function records_note_done() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
declare
  doing bigint := nullif(current_setting('ladder.doing', true), '')::bigint;
  without text[] := string_to_array(tg_argv[1], ' ');
begin
  if doing is null then
    return null;
  elsif tg_op = 'INSERT' then
    execute 'insert into records_done_row (done_id, tab, now) select $1, $2, to_jsonb(n) - $3 from fresh n' using doing, tg_table_name, without;
  else
    execute format('insert into records_done_row (done_id, tab, was, now) select $1, $2, to_jsonb(o) - $3, to_jsonb(n) - $3 from gone o join fresh n using (%s)
                     where to_jsonb(o) - $3 is distinct from to_jsonb(n) - $3', replace(tg_argv[0], ' ', ', ')) using doing, tg_table_name, without;
  end if;
  return null;
end $$;
revoke execute on function records_note_done() from public;

create function records_can_undo(kept regclass, keys text, without text default '') returns void language plpgsql as $$
begin
  execute format('create trigger done_insert after insert on %s referencing new table as fresh for each statement execute function records_note_done(%L, %L)', kept, keys, without);
  execute format('create trigger done_update after update on %s referencing old table as gone new table as fresh for each statement execute function records_note_done(%L, %L)',
                 kept, keys, without);
end $$;
revoke execute on function records_can_undo(regclass, text, text) from public;

select records_can_undo('roster_school', 'id'), records_can_undo('roster_year', 'id'), records_can_undo('roster_class', 'id'),
       records_can_undo('roster_student', 'id', 'namesake erased_on'), records_can_undo('roster_enrolment', 'id'),
       records_can_undo('people_teaches', 'person_id class_id'), records_can_undo('measures_measure', 'id'), records_can_undo('measures_window', 'id'),
       records_can_undo('measures_ladder', 'id'), records_can_undo('plans_strategy', 'id');
do $$
begin
  -- Of accounts what a file says and nothing else.
  perform records_can_undo('people_person', 'id', (select string_agg(attname, ' ') from pg_attribute where attrelid = 'people_person'::regclass and attnum > 0
                                                     and not attisdropped and attname not in ('id', 'login', 'name', 'role', 'school_id')));
end $$;

-- Takes back every row of one table: the new ones go, the changed ones are as they were. A row that has changed since is none that may go.
create function records_undo_table(done bigint, tab text, keys text[]) returns void language plpgsql security definer set search_path = public, pg_temp as $$
declare
  same text := (select string_agg(format('t.%I = (r.now ->> %L)::%s', k, k, format_type(a.atttypid, null)), ' and ')
                  from unnest(keys) k join pg_attribute a on a.attrelid = tab::regclass and a.attname = k);
  others text[];
  rows bigint;
  wanted bigint;
begin
  select array_agg(c) into others
    from jsonb_object_keys((select r.now from records_done_row r where r.done_id = done and r.tab = records_undo_table.tab limit 1)) c where c <> all (keys);
  select count(*) into wanted from records_done_row r where r.done_id = done and r.tab = records_undo_table.tab;
  if wanted = 0 then
    return;
  end if;
  -- The last that was done to a row is what it must still be.
  execute format('select count(*) from (select distinct on (%s) r.* from records_done_row r where r.done_id = $1 and r.tab = $2 order by %s, r.seq desc) r
                   where not exists (select from %I t where %s and to_jsonb(t) @> r.now)',
                 (select string_agg(format('r.now ->> %L', k), ', ') from unnest(keys) k), (select string_agg(format('r.now ->> %L', k), ', ') from unnest(keys) k), tab, same)
    into rows using done, tab;
  if rows > 0 then
    raise exception 'changed since' using errcode = '55000', detail = tab || ' ' || rows;
  end if;
  if tab = 'measures_ladder' then
    delete from measures_band b using records_done_row r where r.done_id = done and r.tab = 'measures_ladder' and r.was is null and b.ladder_id = (r.now ->> 'id')::integer;
  end if;
  execute format('delete from %I t using records_done_row r where r.done_id = $1 and r.tab = $2 and r.was is null and %s', tab, same) using done, tab;
  execute format('update %I t set (%s) = row(%s) from (select distinct on (%s) r.* from records_done_row r where r.done_id = $1 and r.tab = $2 order by %s, r.seq) r
                   where r.was is not null and %s', tab,
                 (select string_agg(quote_ident(c), ', ') from unnest(others) c),
                 (select string_agg(format('(jsonb_populate_record(null::%I, r.was)).%I', tab, c), ', ')
                    from unnest(others) c),
                 (select string_agg(format('r.now ->> %L', k), ', ') from unnest(keys) k), (select string_agg(format('r.now ->> %L', k), ', ') from unnest(keys) k), same)
    using done, tab;
end $$;
revoke execute on function records_undo_table(bigint, text, text[]) from public;

-- The scores of a file are taken back: what they corrected counts again, and what they added is known as taken back from today.
create function records_undo_scores(moment timestamptz, person integer) returns bigint language plpgsql security definer set search_path = public, pg_temp as $$
declare
  rows bigint;
begin
  create temporary table undone on commit drop as
  select s.id, s.student_id, s.measure_id, s.taken_on, s.window_id, s.known_from, o.value as old_value, coalesce(o.status, 'withdrawn') as old_status, s.superseded_by,
         nextval(pg_get_serial_sequence('scores_score', 'id')) as next_id
    from scores_score s left join scores_score o on o.superseded_by = s.id
   where s.recorded_at = moment and s.recorded_by is not distinct from person and s.source = 'imported';
  get diagnostics rows = row_count;
  if exists (select from undone where superseded_by is not null) then
    raise exception 'changed since' using errcode = '55000', detail = 'scores_score ' || (select count(*) from undone where superseded_by is not null);
  end if;
  if exists (select from undone u join measures_measure m on m.id = u.measure_id
               join measures_closed() k on k.student_id = u.student_id and k.area = m.area
                and (k.window_id = u.window_id or u.window_id is null and u.taken_on between k.starts and k.ends)) then
    raise exception 'the window is closed' using errcode = '55000', detail = 'window';
  end if;
  update scores_score s set superseded_by = u.next_id, superseded_on = greatest(scope_today(), s.known_from) from undone u where s.id = u.id;
  insert into scores_score (id, student_id, measure_id, taken_on, value, status, source, known_from, recorded_by, reason, window_id)
  select next_id, student_id, measure_id, taken_on, old_value, old_status, 'imported', greatest(scope_today(), known_from), scope_person(), 'the file was taken back', window_id
    from undone;
  drop table undone;
  return rows;
end $$;
revoke execute on function records_undo_scores(timestamptz, integer) from public;

-- Undoes something whole; nothing when it rests on something: foreign_key_violation (others refer to it) or 55000 (it has changed since).
create function records_undo(done bigint, because text) returns void language plpgsql security definer set search_path = public, pg_temp as $$
declare
  d records_done;
begin
  select * into d from records_done where id = done and undone_at is null and undoable for update;
  if not found then
    raise exception 'nothing to undo' using errcode = '02000';
  end if;
  if scope_role() <> 'administrator' and d.person_id is distinct from scope_person() then
    raise exception 'somebody else did it' using errcode = '42501';
  end if;
  perform set_config('ladder.doing', '', true);
  perform records_undo_scores(d.at, d.person_id);
  -- Those that refer come before those that are referred to; teaching groups are of the next migration.
  perform records_undo_table(done, 'roster_leads', array['id']), records_undo_table(done, 'roster_member', array['id']), records_undo_table(done, 'roster_group', array['id']),
          records_undo_table(done, 'people_teaches', array['person_id', 'class_id']), records_undo_table(done, 'roster_enrolment', array['id']),
          records_undo_table(done, 'measures_ladder', array['id']), records_undo_table(done, 'measures_window', array['id']),
          records_undo_table(done, 'roster_class', array['id']), records_undo_table(done, 'roster_student', array['id']),
          records_undo_table(done, 'people_person', array['id']), records_undo_table(done, 'plans_strategy', array['id']),
          records_undo_table(done, 'measures_measure', array['id']), records_undo_table(done, 'roster_year', array['id']),
          records_undo_table(done, 'roster_school', array['id']);
  perform roster_tell_namesakes();
  update records_done set undone_at = now(), undone_by = scope_person(), undone_because = because where id = done;
  delete from records_done_row where done_id = done;
end $$;
revoke execute on function records_undo(bigint, text) from public;
grant execute on function records_undo(bigint, text) to ladder_app;

-- What is noted of somebody who is erased goes, and what they were part of is no longer to be undone.
create function records_forget_erased() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
begin
  update records_done set undoable = false where id in (select done_id from records_done_row where tab = 'roster_student' and (now ->> 'id')::bigint = new.id);
  delete from records_done_row where tab = 'roster_student' and (now ->> 'id')::bigint = new.id;
  return null;
end $$;
revoke execute on function records_forget_erased() from public;
create trigger erased_is_forgotten after update of erased_on on roster_student for each row when (new.erased_on is not null) execute function records_forget_erased();

-- After a month nobody undoes a file any more; what is kept for it goes.
create function records_forget_done() returns void language sql security definer set search_path = public, pg_temp as $$
  update records_done set undoable = false where undoable and undone_at is null and at < now() - interval '35 days';
  delete from records_done_row r using records_done d where d.id = r.done_id and not d.undoable;
$$;
revoke execute on function records_forget_done() from public;
grant execute on function records_forget_done() to ladder_app;
