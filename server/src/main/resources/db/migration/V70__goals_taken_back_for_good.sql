-- A goal that is taken back points to itself. Where it had come in the place of one that was due by then, that one points to it, too, and the old
-- constraint, which holds one goal a successor, let neither be.
alter table goals_goal drop constraint goals_one_current;
create unique index goals_one_current on goals_goal (student_id, measure_id) where superseded_by is null;
create unique index goals_one_before on goals_goal (superseded_by) where superseded_by <> id;
