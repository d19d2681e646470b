-- A sub-score is a measure that is part of another: entered, corrected, brought in, shown as of a day and undone like any. The parts of a whole add up to it, or stand by
-- themselves.
alter table measures_measure add part_of smallint references measures_measure, add part_position smallint, add adds_up boolean not null default false;
alter table measures_measure add constraint measures_measure_part check ((part_of is null) = (part_position is null) and (part_of is null or not adds_up) and part_of <> id);
create unique index measures_measure_part_place on measures_measure (part_of, part_position);
grant update (adds_up, part_of, part_position) on measures_measure to ladder_app;

alter table scores_score drop constraint scores_score_source_check;
alter table scores_score add constraint scores_score_source_check check (source in ('entered', 'imported', 'added-up'));

-- Where the parts of a whole add up: its score of each of some days is their sum once every part has one, their word where all have the same (absent, exempt, invalid), and
-- is taken back where one is missing. What was entered for the whole by itself, on a day of which no part is known, stays. Arguments of one length: of each score that has
-- changed, the student, the part or the whole, and the day.
create function scores_add_up(in_students integer[], in_measures smallint[], in_days date[]) returns integer language plpgsql set search_path = public, pg_temp as $$
declare
  n integer;
begin
  if not exists (select from measures_measure p left join measures_measure w on w.id = p.part_of where p.id = any (in_measures) and (p.adds_up or w.adds_up)) then
    return 0;
  end if;
  drop table if exists adding;
  create temporary table adding on commit drop as
  with asked as (
    select distinct u.student_id, w.id as whole, u.day
      from unnest(in_students, in_measures, in_days) u(student_id, measure_id, day)
      join measures_measure p on p.id = u.measure_id join measures_measure w on w.id = coalesce(p.part_of, p.id) and w.adds_up),
  summed as (
    select a.student_id, a.whole, a.day, count(*) as parts, count(s.id) filter (where s.status <> 'withdrawn') as known, count(s.value) as scored, sum(s.value) as total,
           min(s.status) as least, max(s.status) as most, max(s.known_from) as known_from, max(s.window_id) as window_id
      from asked a join measures_measure p on p.part_of = a.whole and (p.ends is null or p.ends >= a.day)
      left join scores_score s on s.student_id = a.student_id and s.measure_id = p.id and s.taken_on = a.day and s.superseded_by is null
     group by a.student_id, a.whole, a.day)
  select x.*, c.id as old_id, c.known_from as old_known, c.window_id as old_window, nextval(pg_get_serial_sequence('scores_score', 'id')) as next_id,
         case when x.scored = x.parts then 'scored' when x.known = x.parts and x.least = x.most then x.least else 'withdrawn' end as status,
         case when x.scored = x.parts then x.total end as value
    from summed x left join scores_score c on c.student_id = x.student_id and c.measure_id = x.whole and c.taken_on = x.day and c.superseded_by is null
   where (x.known > 0 or c.source = 'added-up');
  delete from adding a using scores_score c where c.id = a.old_id and c.status = a.status and c.value is not distinct from a.value;
  delete from adding a where a.old_id is null and a.status = 'withdrawn';
  update scores_score s set superseded_by = a.next_id, superseded_on = greatest(scope_today(), s.known_from) from adding a where s.id = a.old_id;
  insert into scores_score (id, student_id, measure_id, taken_on, value, status, source, known_from, recorded_by, reason, window_id)
  select next_id, student_id, whole, day, value, status, 'added-up', case when old_id is null then coalesce(known_from, day) else greatest(scope_today(), old_known) end,
         nullif(scope_person(), 0), 'the sum of its parts', coalesce(window_id, old_window) from adding;
  get diagnostics n = row_count;
  drop table adding;
  return n;
end $$;

do $$ begin
  execute replace(pg_get_functiondef('records_undo_scores'::regproc), '  drop table undone;',
    '  perform scores_add_up(array_agg(student_id), array_agg(measure_id), array_agg(taken_on)) from undone;
  drop table undone;');
end $$;
