-- What a screening score is: one row a student, measure and window. The first scored one of the window's days, since what follows are weekly probes of
-- those who are monitored; before it goes one that was given for the window by name (a make-up, a retest), the latest of several. Where nothing is scored,
-- the latest of what else is on record. Windows come with the dates they had on the day. 'offset 0' keeps the windows apart: joined with them, the planner
-- reads all that students ever scored and looks for the windows in it.
create function scores_screening(in_students integer[], in_measures smallint[], in_windows integer[], in_starts date[], in_ends date[], as_of date)
  returns table (id bigint, student_id integer, measure_id smallint, taken_on date, value double precision, status text, window_id integer)
  language sql stable as $$
    with w as (select * from unnest(in_windows, in_starts, in_ends) as w(id, starts, ends)),
    mine as (
      select s.id, s.student_id, s.measure_id, s.taken_on, s.value, s.status, w.id as window_id, false as named
        from w cross join lateral (
          select * from scores_score s where s.window_id is null and s.taken_on between w.starts and w.ends
             and s.student_id = any(in_students) and s.measure_id = any(in_measures)
             and s.status <> 'withdrawn' and s.taken_on <= as_of and s.known_from <= as_of and (s.superseded_on is null or s.superseded_on > as_of)
           offset 0) s
      union all
      select s.id, s.student_id, s.measure_id, s.taken_on, s.value, s.status, s.window_id, true
        from scores_score s
       where s.window_id = any(in_windows) and s.student_id = any(in_students) and s.measure_id = any(in_measures)
         and s.status <> 'withdrawn' and s.taken_on <= as_of and s.known_from <= as_of and (s.superseded_on is null or s.superseded_on > as_of))
    select distinct on (m.student_id, m.measure_id, m.window_id) m.id, m.student_id, m.measure_id, m.taken_on, m.value, m.status, m.window_id
      from mine m
     order by m.student_id, m.measure_id, m.window_id, m.value is null, not m.named,
              case when m.value is null or m.named then date '2000-01-01' - m.taken_on else m.taken_on - date '2000-01-01' end
  $$;

-- The same of a whole school, without names: what a class is held against. A teacher may have them, too; the function runs past the policies, so it asks
-- first whether the viewer is of the school.
create or replace function scores_of_school(in_school integer, in_window integer, as_of date)
  returns table (measure_id smallint, grade smallint, value double precision)
  language plpgsql stable security definer set search_path = public as $$
begin
  if scope_role() <> 'administrator' and not exists (select from people_person p where p.id = scope_person() and p.school_id = in_school) then
    return;
  end if;
  return query
    with w as (select x.starts, x.ends from measures_window x where x.id = in_window),
    here as (
      select e.student_id, c.grade from w
        join roster_enrolment e on e.starts <= least(w.ends, as_of) and (e.ends is null or e.ends >= least(w.ends, as_of))
        join roster_class c on c.id = e.class_id and c.school_id = in_school)
    select s.measure_id, h.grade, s.value
      from here h join scores_screening((select array_agg(student_id) from here), (select array_agg(m.id) from measures_measure m), array[in_window],
                                        (select array_agg(starts) from w), (select array_agg(ends) from w), as_of) s on s.student_id = h.student_id
     where s.value is not null;
end $$;
