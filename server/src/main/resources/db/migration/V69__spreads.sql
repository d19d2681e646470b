-- Who of these schools was in which grade when a window ended, or is, while it runs.
create function scores_here(in_schools integer[], in_windows integer[], in_grades smallint[], as_of date)
  returns table (window_id integer, school_id integer, student_id integer, grade smallint)
  language sql stable security definer set search_path = public as $$
  select w.id, c.school_id, e.student_id, coalesce(e.grade, c.grade)
    from measures_window w
    join roster_enrolment e on e.starts <= least(w.ends, as_of) and (e.ends is null or e.ends >= least(w.ends, as_of))
    join roster_class c on c.id = e.class_id
   where w.id = any (in_windows)
     and c.school_id = any (in_schools) and (scope_role() = 'administrator' or c.school_id in (select scope_schools()))
     and (in_grades is null or coalesce(e.grade, c.grade) = any (in_grades))
$$;

-- How the scores of a grade lie in a window, of whole grades and without names, for whoever is of the school: what a student's true score is reckoned with.
create function scores_spreads(in_schools integer[], in_windows integer[], in_measures smallint[], in_grades smallint[], as_of date, needed integer)
  returns table (school_id integer, window_id integer, measure_id smallint, grade smallint, n integer, mean double precision, sd double precision)
  language plpgsql stable security definer rows 500 set search_path = public set enable_nestloop = on set work_mem = '64MB' as $$
begin
  return query
    with here as materialized (select * from scores_here(in_schools, in_windows, in_grades, as_of))
    select h.school_id, h.window_id, s.measure_id, h.grade, count(*)::integer, avg(s.value), stddev_samp(s.value)
      from here h
      join scores_screening_wide((select array_agg(distinct k.student_id) from here k), in_measures,
                                 (select array_agg(w.id order by w.id) from measures_window w where w.id = any (in_windows)),
                                 (select array_agg(w.starts order by w.id) from measures_window w where w.id = any (in_windows)),
                                 (select array_agg(w.ends order by w.id) from measures_window w where w.id = any (in_windows)), as_of) s
        on s.student_id = h.student_id and s.window_id = h.window_id
     where s.value is not null
     group by 1, 2, 3, 4
    having count(*) >= needed and stddev_samp(s.value) > 0;
end $$;

-- How far scores on two measures go together there, the one with the lower number first.
create function scores_together(in_school integer, in_windows integer[], in_measures smallint[], in_grades smallint[], as_of date, needed integer)
  returns table (window_id integer, one smallint, other smallint, grade smallint, n integer, correlation double precision)
  language plpgsql stable security definer rows 500 set search_path = public set enable_nestloop = on as $$
begin
  return query
    with here as materialized (select * from scores_here(array[in_school], in_windows, in_grades, as_of)),
    s as materialized (
      select x.student_id, x.window_id, x.measure_id, x.value
        from scores_screening_wide((select array_agg(distinct k.student_id) from here k), in_measures,
                                   (select array_agg(w.id order by w.id) from measures_window w where w.id = any (in_windows)),
                                   (select array_agg(w.starts order by w.id) from measures_window w where w.id = any (in_windows)),
                                   (select array_agg(w.ends order by w.id) from measures_window w where w.id = any (in_windows)), as_of) x
       where x.value is not null)
    select a.window_id, a.measure_id, b.measure_id, h.grade, count(*)::integer, corr(a.value, b.value)
      from here h join s a on a.student_id = h.student_id and a.window_id = h.window_id
      join s b on b.student_id = a.student_id and b.window_id = a.window_id and b.measure_id > a.measure_id
     group by 1, 2, 3, 4
    having count(*) >= needed and corr(a.value, b.value) is not null;
end $$;

revoke execute on function scores_spreads(integer[], integer[], smallint[], smallint[], date, integer), scores_together(integer, integer[], smallint[], smallint[], date, integer),
  scores_here(integer[], integer[], smallint[], date) from public;
grant execute on function scores_spreads(integer[], integer[], smallint[], smallint[], date, integer), scores_together(integer, integer[], smallint[], smallint[], date, integer)
  to ladder_app;
