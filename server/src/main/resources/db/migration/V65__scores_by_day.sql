-- A student's scores on a measure, the newest first, are read from the index alone: a district's criteria look at each of 50,000 students. The same rule
-- as before, its columns in the order in which they are asked for.
alter table scores_score drop constraint scores_one_current;
alter table scores_score add constraint scores_one_current unique nulls not distinct (student_id, measure_id, taken_on, superseded_by)
  include (id, value, status, known_from, superseded_on);
-- And what everybody scored within the days of a screening.
create index scores_score_day on scores_score (measure_id, taken_on) include (student_id, id, value, status, known_from, superseded_on) where window_id is null;

-- What scores_screening says, of very many students: the windows' days are read whole, not student by student. For fewer it is that function itself.
drop function scores_screening_wide(integer[], smallint[], integer[], date[], date[], date);
create function scores_screening_wide(in_students integer[], in_measures smallint[], in_windows integer[], in_starts date[], in_ends date[], as_of date,
                                      many integer default 3000)
  returns table (id bigint, student_id integer, measure_id smallint, taken_on date, value double precision, status text, window_id integer)
  language plpgsql stable rows 50000 set enable_nestloop = on set work_mem = '64MB' as $$
begin
  if coalesce(cardinality(in_students), 0) < many then
    return query select * from scores_screening(in_students, in_measures, in_windows, in_starts, in_ends, as_of);
    return;
  end if;
  return query
    with w as materialized (select * from unnest(in_windows, in_starts, in_ends) as w(id, starts, ends)),
    mine as (
      select s.id, s.student_id, s.measure_id, s.taken_on, s.value, s.status, w.id as window_id, false as named
        from w cross join lateral (
          select s.id, s.student_id, s.measure_id, s.taken_on, s.value, s.status from scores_score s
           where s.window_id is null and s.taken_on between w.starts and w.ends and s.measure_id = any(in_measures)
             and s.status <> 'withdrawn' and s.taken_on <= as_of and s.known_from <= as_of and (s.superseded_on is null or s.superseded_on > as_of)
           offset 0) s
      union all
      select s.id, s.student_id, s.measure_id, s.taken_on, s.value, s.status, s.window_id, true
        from scores_score s
       where s.window_id = any(in_windows) and s.measure_id = any(in_measures)
         and s.status <> 'withdrawn' and s.taken_on <= as_of and s.known_from <= as_of and (s.superseded_on is null or s.superseded_on > as_of))
    select distinct on (m.student_id, m.measure_id, m.window_id) m.id, m.student_id, m.measure_id, m.taken_on, m.value, m.status, m.window_id
      from mine m
     where m.student_id = any(in_students)
     order by m.student_id, m.measure_id, m.window_id, m.value is null, not m.named,
              case when m.value is null or m.named then date '2000-01-01' - m.taken_on else m.taken_on - date '2000-01-01' end;
end $$;

-- scores_of_school for many schools and windows at once: of whole grades, without names, for whoever is of the school.
create function scores_of_schools(in_schools integer[], in_windows integer[], in_measures smallint[], as_of date)
  returns table (school_id integer, window_id integer, grade smallint, value double precision)
  language plpgsql stable security definer rows 50000 set search_path = public set enable_nestloop = on set work_mem = '64MB' as $$
declare
  everything boolean := scope_role() = 'administrator';
begin
  return query
    with mine as materialized (
      select u.school from unnest(in_schools) u(school)
       where everything or u.school in (select p.school_id from people_person p where p.id = scope_person())),
    w as materialized (
      select x.id, x.starts, x.ends from measures_window x where x.id = any (in_windows)),
    here as materialized (
      select w.id as window_id, c.school_id, e.student_id, coalesce(e.grade, c.grade) as grade
        from w join roster_enrolment e on e.starts <= least(w.ends, as_of) and (e.ends is null or e.ends >= least(w.ends, as_of))
        join roster_class c on c.id = e.class_id where c.school_id in (select school from mine))
    select h.school_id, h.window_id, h.grade, s.value
      from here h join scores_screening_wide((select array_agg(distinct n.student_id) from here n), in_measures, (select array_agg(w.id order by w.id) from w),
                                             (select array_agg(w.starts order by w.id) from w), (select array_agg(w.ends order by w.id) from w), as_of) s
        on s.student_id = h.student_id and s.window_id = h.window_id
     where s.value is not null;
end $$;
revoke execute on function scores_of_schools(integer[], integer[], smallint[], date) from public;
grant execute on function scores_of_schools(integer[], integer[], smallint[], date) to ladder_app;
