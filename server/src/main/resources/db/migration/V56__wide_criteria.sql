-- The screening scores of very many students: the same function, with a planner that expects as many,
-- and may go row by row within it where the statement around it may not.
create function scores_screening_wide(in_students integer[], in_measures smallint[], in_windows integer[], in_starts date[], in_ends date[], as_of date)
  returns table (id bigint, student_id integer, measure_id smallint, taken_on date, value double precision, status text, window_id integer)
  language sql stable rows 50000 set enable_nestloop = on as $$
  select * from scores_screening(in_students, in_measures, in_windows, in_starts, in_ends, as_of) $$;
alter function scores_of_school(integer, integer, smallint[], smallint[], date) set enable_nestloop = on;
