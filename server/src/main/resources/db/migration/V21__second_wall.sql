-- The second wall, whole: what the server's own role may do by plain SQL is what the person may for whom it asks.

-- Who is asking is vouched for by the server with a key that its role cannot read: 'person:role:today:until:mac', the mac by HMAC-SHA-256 (RFC 2104).
-- The key's two pads stand here; the migration's own step puts them in.
create table scope_key (
  only_one boolean primary key default true check (only_one),
  inner_pad bytea not null check (length(inner_pad) = 64),
  outer_pad bytea not null check (length(outer_pad) = 64)
);
comment on table scope_key is 'Without policy: no role but the owner may read it.';

create function scope_claim() returns text[] language plpgsql stable security definer set search_path = public, pg_temp as $$
declare
  said text := current_setting('ladder.claim', true);
  body text;
  pads scope_key%rowtype;
  parts text[];
begin
  if said is null or said = '' then
    return null;
  end if;
  body := left(said, -65);
  select * into pads from scope_key;
  if encode(sha256(pads.outer_pad || sha256(pads.inner_pad || convert_to(body, 'UTF8'))), 'hex') is distinct from right(said, 64) then
    raise exception 'nobody vouches for who is asking' using errcode = '42501';
  end if;
  parts := string_to_array(body, ':');
  if parts[4]::bigint < extract(epoch from now()) then
    raise exception 'who was asking has asked long ago' using errcode = '42501';
  end if;
  return parts;
end $$;

create or replace function scope_person() returns integer language sql stable
  return (scope_claim())[1]::integer;
create or replace function scope_role() returns text language sql stable
  return coalesce((scope_claim())[2], '');
create or replace function scope_today() returns date language sql stable
  return coalesce((scope_claim())[3]::date, current_date);

create function scope_school() returns integer language sql stable security definer set search_path = public, pg_temp
  return (select p.school_id from people_person p where p.id = scope_person());

-- Who may change what many stand by: a coordinator what is the school's own, and what is for every school where there is only one. The same rule as
-- SetupRights.
create function scope_sets_up(in_school integer) returns boolean language sql stable security definer set search_path = public, pg_temp
  return case scope_role() when 'administrator' then true
                           when 'coordinator' then case when in_school is null then (select count(*) = 1 from roster_school)
                                                        else coalesce(in_school = scope_school(), false) end
                           else false end;

-- One mechanism for all that is append-only. A row stays as it was recorded; the columns that are named may be filled once.
create function records_append_only() returns trigger language plpgsql as $$
declare
  was jsonb := to_jsonb(old);
  col text;
begin
  if tg_op = 'DELETE' then
    raise exception '% keeps what was recorded', tg_table_name using errcode = '42501';
  end if;
  for col in select n.key from jsonb_each(to_jsonb(new)) n where n.value is distinct from was -> n.key loop
    if col <> all (tg_argv) then
      raise exception 'a row of % is never changed, only superseded', tg_table_name using errcode = '23514';
    end if;
    if was -> col <> 'null'::jsonb then
      raise exception 'a row of % is superseded already', tg_table_name using errcode = '40001';
    end if;
  end loop;
  return new;
end $$;

-- What was superseded has, when the transaction ends, something current in its place: the successor it names, about the same, or that one's successor. One
-- that was taken back with a reason names itself. Where no successor is named, a current row about the same stands for it.
create function records_has_successor() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
declare
  same text := (select string_agg(format('n.%1$I is not distinct from ($1).%1$I', k), ' and ') from unnest(tg_argv) k);
  there boolean;
begin
  if not to_jsonb(new) ? 'superseded_by' then
    execute format('select exists (select from %s n where n.superseded_on is null and %s)', tg_relid::regclass, same) into there using new;
  elsif (to_jsonb(new) -> 'superseded_by') = (to_jsonb(new) -> 'id') then
    there := to_jsonb(new) ->> 'withdrawn_because' is not null;
  else
    execute format('with recursive later(id, by) as (
        select n.id, n.superseded_by from %1$s n where n.id = ($1).superseded_by and n.known_from <= ($1).superseded_on and %2$s
        union select n.id, n.superseded_by from later l join %1$s n on n.id = l.by and l.by <> l.id and %2$s)
      select exists (select from later where by is null or by = id)', tg_relid::regclass, same) into there using new;
  end if;
  if not there then
    raise exception 'a row of % would be hidden: nothing stands in its place', tg_table_name using errcode = '23514';
  end if;
  return null;
end $$;

-- For each such table, and every one to come: the columns that are filled once, and, where rows are superseded, what a successor has in common. The owner
-- is let through, for migrations and for what the law wants erased.
create function records_keep(kept regclass, once text[], same text[] default null) returns void language plpgsql as $$
begin
  execute format('create trigger append_only before update or delete on %s for each row when (current_user <> %L) execute function records_append_only(%s)',
                 kept, current_user, (select coalesce(string_agg(quote_literal(c), ', '), '') from unnest(once) c));
  if same is not null then
    execute format('create constraint trigger has_successor after update on %s deferrable initially deferred for each row
                      when (new.superseded_on is not null and old.superseded_on is null and current_user <> %L) execute function records_has_successor(%s)',
                   kept, current_user, (select string_agg(quote_literal(c), ', ') from unnest(same) c));
  end if;
end $$;
revoke execute on function records_keep from public;

drop trigger scores_append_only on scores_score;
drop function scores_append_only();
select records_keep('scores_score', array['superseded_on', 'superseded_by'], array['student_id', 'measure_id']),
       records_keep('goals_goal', array['superseded_on', 'superseded_by', 'withdrawn_because', 'withdrawn_by'], array['student_id', 'measure_id']),
       records_keep('decisions_decision', array['withdrawn_on', 'withdrawn_by', 'withdrawn_because']),
       records_keep('strip_median', array['superseded_on', 'superseded_by'], array['class_id', 'measure_id', 'on_day']),
       records_keep('plans_concern', array['superseded_on', 'superseded_by'], array['student_id', 'area']),
       records_keep('plans_plan', array['superseded_on', 'superseded_by', 'reopened_because'], array['root', 'student_id', 'measure_id']),
       records_keep('plans_phase', array['withdrawn_on']),
       records_keep('plans_session', array['superseded_on', 'superseded_by'], array['plan_root', 'student_id', 'on_day']),
       records_keep('coverage_makeup', array['superseded_on', 'superseded_by'], array['student_id', 'measure_id', 'window_id']),
       records_keep('tiers_tier', array['superseded_on', 'superseded_by'], array['student_id', 'window_id', 'area']),
       records_keep('tiers_opinion', array['superseded_on', 'superseded_by'], array['student_id', 'window_id', 'area']),
       records_keep('tiers_rule', array['superseded_on'], array['school_id', 'area']),
       records_keep('tiers_rule_measure', '{}'),
       records_keep('tiers_window_event', '{}'),
       records_keep('tiers_window_part', '{}'),
       records_keep('measures_ladder', array['superseded_on'], array['set_id', 'measure_id', 'grade', 'window_id']),
       records_keep('measures_band', '{}'),
       records_keep('measures_default_set', array['superseded_on'], array['school_id']),
       records_keep('measures_change', '{}'),
       records_keep('norms_table', array['superseded_on'], array['set_id', 'measure_id', 'grade', 'about', 'season']),
       records_keep('norms_point', '{}'),
       records_keep('reading_question', '{}'),
       records_keep('reading_level_table', array['superseded_on'], array['school_id']),
       records_keep('reading_level', '{}'),
       records_keep('reading_mark', '{}'),
       records_keep('reading_answer', '{}'),
       records_keep('reading_seen', '{}'),
       records_keep('changes_change', '{}');

-- A reading is taken back once, too, but who did it may put it right on the same day.
create function reading_append_only() returns trigger language plpgsql as $$
begin
  if to_jsonb(new) - 'withdrawn_on' - 'withdrawn_by' is distinct from to_jsonb(old) - 'withdrawn_on' - 'withdrawn_by' then
    raise exception 'a reading is never changed, only taken back' using errcode = '23514';
  elsif old.withdrawn_on is not null and (new.withdrawn_on is not null or old.withdrawn_on <> scope_today() or old.withdrawn_by is distinct from scope_person()) then
    raise exception 'a reading that was taken back stays so' using errcode = '42501';
  end if;
  return new;
end $$;
do $$ begin
  execute format('create trigger append_only before update on reading_reading for each row when (current_user <> %L) execute function reading_append_only()', current_user);
end $$;

-- Marks come with their reading; those of a file come once, in a file of their own.
alter table reading_reading add source text not null default 'entered' check (source in ('entered', 'imported'));
create function reading_takes_marks(reading bigint) returns boolean language sql stable security definer set search_path = public, pg_temp
  return exists (select from reading_reading r where r.id = reading
                    and (r.recorded_at = now() or r.source = 'imported' and not exists (select from reading_mark m where m.reading_id = r.id)));

-- What is not about students everybody signed in or not may know; who may write it is asked.
do $$
declare
  t text;
begin
  foreach t in array array['roster_school', 'roster_year', 'roster_class', 'measures_measure', 'measures_window', 'measures_cut_set', 'measures_default_set',
                           'measures_ladder', 'measures_band', 'measures_change', 'norms_set', 'norms_table', 'norms_point', 'tiers_rule', 'tiers_rule_measure',
                           'tiers_window_event', 'tiers_window_part', 'plans_strategy', 'reading_passage', 'reading_question', 'reading_behaviour',
                           'reading_level_table', 'reading_level', 'changes_change'] loop
    execute format('alter table %I enable row level security', t);
    execute format('create policy see on %I for select using (true)', t);
  end loop;
  foreach t in array array['roster_school', 'roster_year', 'roster_class'] loop
    execute format('create policy add on %I for insert with check ((select scope_role()) = ''administrator'')', t);
    execute format('create policy change on %I for update using ((select scope_role()) = ''administrator'')', t);
  end loop;
  foreach t in array array['measures_measure', 'measures_window'] loop
    execute format('create policy add on %I for insert with check ((select scope_sets_up(null)))', t);
    execute format('create policy change on %I for update using ((select scope_sets_up(null)))', t);
  end loop;
  foreach t in array array['measures_cut_set', 'measures_default_set', 'tiers_rule', 'plans_strategy', 'reading_behaviour', 'reading_level_table', 'norms_set'] loop
    execute format('create policy add on %I for insert with check (scope_sets_up(school_id))', t);
    execute format('create policy change on %I for update using (scope_sets_up(school_id))', t);
  end loop;
end $$;
create policy remove on measures_window for delete using ((select scope_sets_up(null)));
create policy add on tiers_window_event for insert with check (scope_sets_up(school_id));
create policy add on changes_change for insert with check (scope_sets_up(school_id));
create policy add on reading_passage for insert with check (scope_role() = 'administrator' or school_id = scope_school());
create policy change on reading_passage for update using (scope_sets_up(school_id));

-- What belongs to a whole comes with it, in one transaction.
create policy add on measures_ladder for insert with check (exists (select from measures_cut_set s where s.id = set_id and scope_sets_up(s.school_id)));
create policy change on measures_ladder for update using (exists (select from measures_cut_set s where s.id = set_id and scope_sets_up(s.school_id)));
create policy add on measures_band for insert with check (exists (select from measures_ladder l where l.id = ladder_id and l.recorded_at = now()));
create policy add on norms_table for insert with check (exists (select from norms_set s where s.id = set_id and scope_sets_up(s.school_id)));
create policy change on norms_table for update using (exists (select from norms_set s where s.id = set_id and scope_sets_up(s.school_id)));
create policy add on norms_point for insert with check (exists (select from norms_table t where t.id = table_id and t.recorded_at = now()));
create policy add on tiers_rule_measure for insert with check (exists (select from tiers_rule r where r.id = rule_id and r.recorded_at = now()));
create policy add on tiers_window_part for insert with check (exists (select from tiers_window_event e where e.id = event_id and e.recorded_at = now()));
create policy add on reading_question for insert
  with check (exists (select from reading_passage p where p.id = passage_id and (scope_role() = 'administrator' or p.school_id = scope_school())));
create policy add on reading_level for insert with check (exists (select from reading_level_table t where t.id = table_id and t.recorded_at = now()));

-- Students and where they are come from the school's files, which administrators bring in.
drop policy roster_student_see on roster_student;
create policy see on roster_student for select using ((select scope_role()) = 'administrator' or id in (select scope_students()));
create policy add on roster_student for insert with check ((select scope_role()) = 'administrator');
create policy change on roster_student for update using ((select scope_role()) = 'administrator');
drop policy roster_enrolment_see on roster_enrolment;
create policy see on roster_enrolment for select using ((select scope_role()) = 'administrator' or student_id in (select scope_students()));
create policy add on roster_enrolment for insert with check ((select scope_role()) = 'administrator');
create policy change on roster_enrolment for update using ((select scope_role()) = 'administrator');

-- Tiers are the coordinators' to decide; teachers see them.
drop policy tiers_tier_see on tiers_tier;
create policy see on tiers_tier for select using ((select scope_role()) = 'administrator' or student_id in (select scope_students()));
create policy add on tiers_tier for insert
  with check ((select scope_role()) = 'administrator' or (select scope_role()) = 'coordinator' and student_id in (select scope_students()));
create policy change on tiers_tier for update
  using ((select scope_role()) = 'administrator' or (select scope_role()) = 'coordinator' and student_id in (select scope_students()));

-- Phases, sessions and later versions belong to a plan of the same student.
create policy of_a_plan on plans_phase as restrictive for insert with check (exists (
  select from plans_plan p where p.root = plan_root and p.student_id = plans_phase.student_id and p.measure_id = plans_phase.measure_id));
create policy of_a_plan on plans_session as restrictive for insert with check (exists (
  select from plans_plan p where p.root = plan_root and p.student_id = plans_session.student_id));
create function plans_root_is(root bigint, student integer, measure smallint) returns boolean language sql stable security definer set search_path = public, pg_temp
  return exists (select from plans_plan p where p.id = plans_root_is.root and p.student_id = student and p.measure_id = measure);
create policy of_a_plan on plans_plan as restrictive for insert with check (root = id or plans_root_is(root, student_id, measure_id));

-- Marks, answers and observations.
drop policy reading_mark_see on reading_mark;
drop policy reading_answer_see on reading_answer;
drop policy reading_seen_see on reading_seen;
create policy see on reading_mark for select using (exists (select from reading_reading r where r.id = reading_id));
create policy see on reading_answer for select using (exists (select from reading_reading r where r.id = reading_id));
create policy see on reading_seen for select using (exists (select from reading_reading r where r.id = reading_id));
create policy add on reading_mark for insert
  with check (exists (select from reading_reading r where r.id = reading_id) and reading_takes_marks(reading_id));
create policy add on reading_answer for insert with check (exists (select from reading_reading r where r.id = reading_id and r.recorded_at = now()));
create policy add on reading_seen for insert with check (exists (select from reading_reading r where r.id = reading_id and r.recorded_at = now()));

-- People: signing in, passwords and sessions are another role's, which knows nothing of students.
revoke all on people_person, people_teaches, people_signin_try, people_setup_link, people_device, people_taught, spring_session, spring_session_attributes
  from ladder_app;
grant select (id, login, name, role, school_id, active), insert (login, name, role, school_id), update (name, role, school_id) on people_person to ladder_app;
grant select, insert, update (ends) on people_teaches to ladder_app;
grant select, insert, update on people_person to ladder_people;
grant select, update (ends) on people_teaches to ladder_people;
grant select on people_taught, roster_school, roster_year, roster_class to ladder_people;
grant select, insert, update, delete on people_signin_try, people_device, spring_session, spring_session_attributes to ladder_people;
grant select, insert, update on people_setup_link to ladder_people;
alter table people_person enable row level security;
create policy see on people_person for select to ladder_app using ((select scope_role()) <> '');
create policy add on people_person for insert to ladder_app with check ((select scope_role()) = 'administrator');
create policy change on people_person for update to ladder_app using ((select scope_role()) = 'administrator');
create policy accounts on people_person to ladder_people using (true);
alter table people_teaches enable row level security;
create policy see on people_teaches for select to ladder_app using ((select scope_role()) <> '');
create policy add on people_teaches for insert to ladder_app with check ((select scope_role()) = 'administrator');
create policy change on people_teaches for update to ladder_app using ((select scope_role()) = 'administrator');
create policy accounts on people_teaches to ladder_people using (true);
do $$
declare
  t text;
begin
  foreach t in array array['people_signin_try', 'people_setup_link', 'people_device', 'spring_session', 'spring_session_attributes'] loop
    execute format('comment on table %I is %L', t, 'Without policy: only ladder_people may touch it, which acts before anybody is signed in.');
  end loop;
end $$;

-- Where only one column changes, only that one may.
revoke update on roster_school, roster_year, roster_class, roster_student, roster_enrolment, measures_measure, measures_window, measures_ladder,
  measures_cut_set, measures_default_set, tiers_rule, norms_set, norms_table, plans_strategy, reading_passage, reading_behaviour, reading_level_table from ladder_app;
grant update (name) on roster_school to ladder_app;
grant update (starts, ends) on roster_year to ladder_app;
grant update (school_id, year_id, name, grade) on roster_class to ladder_app;
grant update (given_name, family_name, support) on roster_student to ladder_app;
grant update (ends) on roster_enrolment to ladder_app;
grant update (name, kind, area, unit, lowest, highest, decimals, better, sem, rule, last_points, change_at_most, raise_at_least, minimum_scores, minimum_weeks)
  on measures_measure to ladder_app;
grant update (name, starts, ends) on measures_window to ladder_app;
grant update (name, kind, school_id, note) on measures_cut_set to ladder_app;
grant update (name) on norms_set to ladder_app;
grant update (superseded_on) on measures_ladder, measures_default_set, tiers_rule, norms_table, reading_level_table to ladder_app;
grant update (name, how, retired) on plans_strategy to ladder_app;
grant update (title, retired) on reading_passage to ladder_app;
grant update (name, teach, retired) on reading_behaviour to ladder_app;

-- A program of another age asks which schema it meets.
grant select on flyway_schema_history to ladder_app;
comment on table flyway_schema_history is 'Without policy: says which migrations have run, nothing else.';
