-- A year of a district: fifty million actions, a thousand a student from September to today, told with their minutes. Their days are added up once, as their arrival would have done.
set session_replication_role = replica;
select engagement_months(array(select d::date from generate_series('2025-09-01', '2026-03-13', interval '1 month') d));
insert into engagement_context (id, parent_id, name, path)
select i, case when i > 9000001 then 9000001 + (i - 9000002) / 10 end, case when i = 9000001 then 'Bench' else 'Place ' || i end,
       case when i = 9000001 then array[i] when i < 9000012 then array[9000001, i] else array[9000001, 9000001 + (i - 9000002) / 10, i] end
  from generate_series(9000001, 9000111) i;
insert into engagement_action (student_id, on_day, at, kind, minutes, counted, context_id, statement_id)
select s.student_id, d::date, d + interval '8 hours' + n * interval '47 minutes', (array['reading', 'practice', 'video', 'assessment'])[1 + (s.student_id + n) % 4], m, m,
       9000012 + (s.student_id * 7 + n * 13 + extract(doy from d)::integer) % 100, '00000000-0000-0000-0000-000000000000'
  from generate_series('2025-09-01', '2026-03-13', interval '1 day') d, (select distinct student_id from roster_enrolment where ends is null or ends > '2026-03-01') s,
       generate_series(0, 6) n, lateral (select ((s.student_id % 5 + 1) * (1 + (n * 31 + s.student_id) % 4))::real) t(m)
 where extract(isodow from d) < 6;
insert into engagement_day (student_id, on_day, kind, minutes, actions)
select student_id, on_day, kind, least(sum(counted), 1440), count(*) from engagement_action where statement_id = '00000000-0000-0000-0000-000000000000' group by 1, 2, 3
on conflict (student_id, on_day, kind) do update set minutes = excluded.minutes, actions = excluded.actions;
insert into engagement_week
select student_id, date_trunc('week', on_day)::date, sum(minutes)::double precision, sum(actions), min(on_day), max(on_day) filter (where minutes > 0 or actions > 0) from engagement_day group by 1, 2
on conflict (student_id, monday) do update set minutes = excluded.minutes, actions = excluded.actions, first_day = excluded.first_day, last_day = excluded.last_day;
reset session_replication_role;
