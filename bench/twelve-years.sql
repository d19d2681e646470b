-- Twelve years of records for one student: a class and two hundred scores a year, days away, time on each school day.
-- For the time that their page takes.
set session_replication_role = replica;
create temporary table one as
select e.student_id, k.school_id from roster_enrolment e join roster_class k on k.id = e.class_id join roster_year y on y.id = k.year_id
 where '2026-03-13' between y.starts and y.ends and e.ends is null order by e.student_id limit 1;
insert into roster_year (name, starts, ends) select y || '-' || right((y + 1)::text, 2), make_date(y, 8, 25), make_date(y + 1, 6, 26) from generate_series(2014, 2023) y
 on conflict do nothing;
insert into roster_class (code, school_id, year_id, name, grade)
select 'BENCH-' || y.name, o.school_id, y.id, 'Bench', least(13, extract(year from y.starts)::integer - 2013) from one o, roster_year y where y.starts < '2024-06-01';
insert into roster_enrolment (student_id, class_id, starts, ends, known_from)
select o.student_id, k.id, y.starts, y.ends, y.starts from one o, roster_class k join roster_year y on y.id = k.year_id where k.code like 'BENCH-%';
insert into scores_score (student_id, measure_id, taken_on, value, status, source, known_from)
select o.student_id, m.id, d::date, least(m.highest, m.lowest + (extract(year from d) - 2013) * 5 + extract(doy from d)::integer % 7), 'scored', 'imported', d::date
  from one o, (select * from measures_measure where part_of is null order by id limit 5) m, generate_series('2014-09-01', '2024-06-20', interval '7 days') d
 where extract(month from d) not in (7, 8);
insert into attendance_day (student_id, on_day, status, reason, known_from)
select o.student_id, d::date, case when extract(doy from d)::integer % 3 = 0 then 'late' else 'absent' end, 'ill', d::date
  from one o, generate_series('2014-09-01', '2024-06-20', interval '17 days') d where extract(isodow from d) < 6 and extract(month from d) not in (7, 8);
insert into engagement_day (student_id, on_day, kind, minutes, actions)
select o.student_id, d::date, k, 12, 4 from one o, generate_series('2014-09-01', '2024-06-20', interval '1 day') d, unnest(array['reading', 'practice']) k
 where extract(isodow from d) < 6 and extract(month from d) not in (7, 8) on conflict do nothing;
reset session_replication_role;
analyze scores_score, attendance_day, engagement_day, roster_enrolment, roster_class;
\pset tuples_only on
\pset format unaligned
select student_id from one;
