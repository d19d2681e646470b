-- A decision can be taken back, with a reason; it stays on record, and as of an earlier day it counts.
alter table decisions_decision
  add column withdrawn_on date check (withdrawn_on >= decided_on),
  add column withdrawn_by integer,
  add column withdrawn_because text,
  add check ((withdrawn_on is null) = (withdrawn_because is null));
grant update (withdrawn_on, withdrawn_by, withdrawn_because) on decisions_decision to ladder_app;

-- The phase that such a decision began goes with it.
alter table plans_phase
  add column withdrawn_on date check (withdrawn_on >= known_from),
  drop constraint plans_phase_plan_root_starts_key;
create unique index plans_phase_one_a_day on plans_phase (plan_root, starts) where withdrawn_on is null;
grant update (withdrawn_on) on plans_phase to ladder_app;

-- A closed plan can be opened again: a new version, which says why.
alter table plans_plan add column reopened_because text;
grant update (reopened_because) on plans_plan to ladder_app;

drop function trends_phases_of_school(integer, smallint[], smallint[], date, date, integer);
create function trends_phases_of_school(in_school integer, in_grades smallint[], in_measures smallint[], origin date, as_of date, baseline_days integer)
  returns table (measure_id smallint, grade smallint, days integer[], scores double precision[])
  language plpgsql stable security definer set search_path = public as $$
begin
  if scope_role() <> 'administrator' and not exists (select from people_person p where p.id = scope_person() and p.school_id = in_school) then
    return;
  end if;
  return query
    with monitored as (
      select g.student_id, g.measure_id, c.grade, greatest(origin, g.start_date - baseline_days) as since
        from roster_class c
        join roster_enrolment e on e.class_id = c.id and e.starts <= as_of and (e.ends is null or e.ends >= as_of)
        join goals_goal g on g.student_id = e.student_id and g.known_from <= as_of and (g.superseded_on is null or g.superseded_on > as_of)
       where c.school_id = in_school and c.grade = any (in_grades) and g.measure_id = any (in_measures) and g.goal_date >= origin
         and not exists (select from decisions_decision d where d.student_id = g.student_id and d.measure_id = g.measure_id
                            and d.kind = 'plan-changed' and d.decided_on >= origin and d.decided_on > g.start_date - baseline_days and d.decided_on <= as_of
                            and (d.withdrawn_on is null or d.withdrawn_on > as_of))
         and not exists (select from plans_phase f where f.student_id = g.student_id and f.measure_id = g.measure_id
                            and f.starts <= as_of and f.known_from <= as_of and (f.withdrawn_on is null or f.withdrawn_on > as_of)
                            and f.starts > g.start_date + case when exists (select from plans_phase b where b.plan_root = f.plan_root and b.starts < f.starts)
                                                               then 0 else baseline_days end))
    select m.measure_id, m.grade, array_agg(s.taken_on - origin order by s.taken_on), array_agg(s.value order by s.taken_on)
      from monitored m join scores_score s on s.student_id = m.student_id and s.measure_id = m.measure_id
     where s.taken_on between m.since and as_of and s.value is not null
       and s.known_from <= as_of and (s.superseded_on is null or s.superseded_on > as_of)
     group by m.student_id, m.measure_id, m.grade;
end $$;
