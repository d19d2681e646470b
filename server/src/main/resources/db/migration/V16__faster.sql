-- The index that a plan's phases are found by; the unique one of V10 holds only those that were not withdrawn, and so cannot serve whoever asks for all.
create index plans_phase_of_plan on plans_phase (plan_root, starts);

-- Of the measures and grades that are asked for: a class is held against its own grade.
drop function scores_of_school(integer, integer, date);
create function scores_of_school(in_school integer, in_window integer, in_measures smallint[], in_grades smallint[], as_of date)
  returns table (measure_id smallint, grade smallint, value double precision)
  language plpgsql stable security definer set search_path = public as $$
declare
  ids integer[];
  grades smallint[];
  opens date;
  closes date;
begin
  if scope_role() <> 'administrator' and not exists (select from people_person p where p.id = scope_person() and p.school_id = in_school) then
    return;
  end if;
  select x.starts, x.ends into opens, closes from measures_window x where x.id = in_window;
  select array_agg(e.student_id), array_agg(c.grade) into ids, grades
    from roster_enrolment e join roster_class c on c.id = e.class_id and c.school_id = in_school and c.grade = any (in_grades)
   where e.starts <= least(closes, as_of) and (e.ends is null or e.ends >= least(closes, as_of));
  -- Plain values, so that the planner sees into the function.
  return query
    select s.measure_id, h.grade, s.value
      from scores_screening(ids, in_measures, array[in_window], array[opens], array[closes], as_of) s
      join unnest(ids, grades) as h(student_id, grade) on h.student_id = s.student_id
     where s.value is not null;
end $$;
