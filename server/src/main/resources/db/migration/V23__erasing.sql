-- Erasing a student: one administrator asks, with a reason, another says yes. What names them goes, wherever it stands; counts stay.
create table roster_erasure (
  id           integer generated always as identity primary key,
  student_id   integer not null references roster_student,
  reason       text not null check (reason <> ''),
  asked_by     integer not null,
  asked_at     timestamptz not null default now(),
  dropped_by   integer,
  dropped_at   timestamptz,
  confirmed_by integer check (confirmed_by <> asked_by),
  confirmed_at timestamptz,
  check ((dropped_by is null) = (dropped_at is null)),
  check ((confirmed_by is null) = (confirmed_at is null)),
  check (dropped_at is null or confirmed_at is null)
);
create unique index roster_erasure_open on roster_erasure (student_id) where dropped_at is null and confirmed_at is null;
select records_keep('roster_erasure', array['dropped_by', 'dropped_at']);
alter table roster_erasure enable row level security;
create policy see on roster_erasure for select using ((select scope_role()) = 'administrator');
create policy ask on roster_erasure for insert
  with check ((select scope_role()) = 'administrator' and asked_by = scope_person() and confirmed_by is null and dropped_by is null);
create policy dropped on roster_erasure for update using ((select scope_role()) = 'administrator' and confirmed_at is null)
  with check (dropped_by = scope_person());
grant select, insert on roster_erasure to ladder_app;
grant update (dropped_by, dropped_at) on roster_erasure to ladder_app;

alter table roster_student add erased_on date;
alter table audit_event drop constraint audit_event_kind_check;
alter table audit_event add constraint audit_event_kind_check
  check (kind in ('look', 'export', 'print', 'import', 'rights', 'sign-in', 'refused', 'erased'));

-- By the second administrator. Runs as the owner, past the walls, so it asks first.
create function roster_erase(erasure integer) returns integer language plpgsql security definer set search_path = public, pg_temp as $$
declare
  who roster_erasure%rowtype;
  s roster_student%rowtype;
  full_name text;
  gone constant text := 'erased';
begin
  select * into who from roster_erasure e where e.id = erasure and e.confirmed_at is null and e.dropped_at is null for update;
  if not found then
    return null;
  end if;
  if scope_role() <> 'administrator' or scope_person() is not distinct from who.asked_by then
    raise exception 'another administrator has to say yes' using errcode = '42501';
  end if;
  select * into s from roster_student where id = who.student_id;
  full_name := trim(s.given_name || ' ' || s.family_name);

  update roster_student set code = 'erased-' || id, given_name = 'Erased student', family_name = '', support = null, erased_on = scope_today() where id = s.id;
  -- From tomorrow on they are on no list; lists of the past count them.
  update roster_enrolment set ends = greatest(starts, least(coalesce(ends, scope_today()), scope_today())) where student_id = s.id;
  perform roster_tell_namesakes();

  -- Words about them.
  update scores_score set reason = null where student_id = s.id and reason is not null;
  update goals_goal set reason = null, basis = null, withdrawn_because = case when withdrawn_because is not null then gone end where student_id = s.id;
  update decisions_decision set because = gone, reason = case when reason is not null then gone end,
         withdrawn_because = case when withdrawn_because is not null then gone end where student_id = s.id;
  update plans_concern set note = null where student_id = s.id;
  update plans_plan set worry = gone, success = null, outcome_note = null, group_name = case when group_name is not null then 'A group' end,
         reopened_because = case when reopened_because is not null then gone end where student_id = s.id;
  update plans_phase set reason = null, place = null where student_id = s.id;
  update tiers_tier set because = gone, reason = case when reason is not null then gone end where student_id = s.id;
  update tiers_opinion set note = null where student_id = s.id;
  update reading_reading set note = null, level_reason = case when level_reason is not null then gone end where student_id = s.id;
  update roster_erasure set reason = gone where student_id = s.id;

  -- Where others' words, or what was made for a while, may hold the name.
  update changes_change set words = replace(words, full_name, 'an erased student'), effect = replace(effect, full_name, 'an erased student'),
         reason = replace(reason, full_name, 'an erased student')
   where words like '%' || full_name || '%' or effect like '%' || full_name || '%' or reason like '%' || full_name || '%';
  delete from once_answer where answer::text like '%' || full_name || '%' or answer::text like '%"' || s.code || '"%';
  delete from records_upload;
  delete from report_job;

  update roster_erasure set confirmed_by = scope_person(), confirmed_at = now() where id = erasure;
  return s.id;
end $$;
revoke execute on function roster_erase(integer) from public;
grant execute on function roster_erase(integer) to ladder_app;
