-- What the form or passage is called that a score was taken on: those who took one form in one week had the same luck with it.
alter table scores_score add form text check (form is null or form <> '' and char_length(form) <= 60 and status = 'scored');

do $$ begin
  execute replace(replace(replace(pg_get_functiondef('records_undo_scores'::regproc),
    'o.value as old_value,', 'o.value as old_value, o.form as old_form,'),
    'recorded_by, reason, window_id)', 'recorded_by, reason, window_id, form)'),
    '''the file was taken back'', window_id', '''the file was taken back'', window_id, old_form');
  -- A sum keeps its own.
  execute replace(replace(replace(pg_get_functiondef('scores_add_up'::regproc),
    'c.window_id as old_window,', 'c.window_id as old_window, c.form as old_form,'),
    'recorded_by, reason, window_id)', 'recorded_by, reason, window_id, form)'),
    'coalesce(window_id, old_window) from adding', 'coalesce(window_id, old_window), case when status = ''scored'' then old_form end from adding');
end $$;

drop function trends_phases_of_schools(integer[], smallint[], smallint[], date, date, integer);
-- The pools of many schools at once, in_schools and in_grades being pairs. Forms are null where nothing is known of any.
create function trends_phases_of_schools(in_schools integer[], in_grades smallint[], in_measures smallint[], origin date, as_of date, baseline_days integer)
  returns table (school_id integer, measure_id smallint, grade smallint, days integer[], scores double precision[], forms text[])
  language plpgsql stable security definer set search_path = public, pg_temp set work_mem = '64MB' set jit = off as $$
begin
  return query
    with wanted as materialized (
      select p.school_id, p.grade from unnest(in_schools, in_grades) p(school_id, grade)
       where scope_role() = 'administrator' or p.school_id in (select scope_schools())),
    monitored as materialized (
      select distinct c.school_id, g.student_id, g.measure_id, coalesce(e.grade, c.grade) as grade, greatest(origin, g.start_date - baseline_days) as since
        from roster_class c
        join roster_enrolment e on e.class_id = c.id and e.starts <= as_of and (e.ends is null or e.ends >= as_of)
        join goals_goal g on g.student_id = e.student_id and g.known_from <= as_of and (g.superseded_on is null or g.superseded_on > as_of)
       where c.school_id in (select w.school_id from wanted w) and (c.school_id, coalesce(e.grade, c.grade)) in (select w.school_id, w.grade from wanted w)
         and g.measure_id = any (in_measures) and g.goal_date >= origin
         and not exists (select from decisions_decision d where d.student_id = g.student_id and d.measure_id = g.measure_id
                            and d.kind = 'plan-changed' and d.decided_on >= origin and d.decided_on > g.start_date - baseline_days and d.decided_on <= as_of
                            and (d.withdrawn_on is null or d.withdrawn_on > as_of))
         and not exists (select from plans_phase f where f.student_id = g.student_id and f.measure_id = g.measure_id
                            and f.starts <= as_of and f.known_from <= as_of and (f.withdrawn_on is null or f.withdrawn_on > as_of)
                            and f.starts > g.start_date + case when exists (select from plans_phase b where b.plan_root = f.plan_root and b.starts < f.starts)
                                                               then 0 else baseline_days end))
    select m.school_id, m.measure_id, m.grade, s.days, s.scores, s.forms
      from monitored m cross join lateral (
        select array_agg(s.taken_on - origin order by s.taken_on) as days, array_agg(s.value order by s.taken_on) as scores,
               case when count(s.form) > 0 then array_agg(s.form order by s.taken_on) end as forms
          from scores_score s
         where s.student_id = m.student_id and s.measure_id = m.measure_id and s.taken_on between m.since and as_of and s.value is not null
           and s.known_from <= as_of and (s.superseded_on is null or s.superseded_on > as_of)) s
     where s.days is not null
     order by m.school_id, m.measure_id, m.grade, m.student_id;
end $$;
revoke execute on function trends_phases_of_schools(integer[], smallint[], smallint[], date, date, integer) from public;
grant execute on function trends_phases_of_schools(integer[], smallint[], smallint[], date, date, integer) to ladder_app;
