-- What a trend leans on: the scores of everyone in a school's grades who has a goal on a measure and whose plan has not changed since. A plan that begins
-- while the baseline is taken, within baseline_days of the goal's start, is no change; one that begins later, or a later phase, is. Without names, so a
-- teacher may have those of the school, too; the function runs past the policies, so it asks first whether the viewer is of it.
drop function trends_phases_of_school(integer, smallint[], smallint[], date, date);
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
                            and d.kind = 'plan-changed' and d.decided_on >= origin and d.decided_on > g.start_date - baseline_days and d.decided_on <= as_of)
         and not exists (select from plans_phase f where f.student_id = g.student_id and f.measure_id = g.measure_id
                            and f.starts <= as_of and f.known_from <= as_of
                            and f.starts > g.start_date + case when exists (select from plans_phase b where b.plan_root = f.plan_root and b.starts < f.starts)
                                                               then 0 else baseline_days end))
    select m.measure_id, m.grade, array_agg(s.taken_on - origin order by s.taken_on), array_agg(s.value order by s.taken_on)
      from monitored m join scores_score s on s.student_id = m.student_id and s.measure_id = m.measure_id
     where s.taken_on between m.since and as_of and s.value is not null
       and s.known_from <= as_of and (s.superseded_on is null or s.superseded_on > as_of)
     group by m.student_id, m.measure_id, m.grade;
end $$;
