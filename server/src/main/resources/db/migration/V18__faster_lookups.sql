-- A screening window asks for all measures of a student on its days, a chart for the days of a year: the day goes before the measure, so that either reads
-- only what it shows. What the key keeps apart is the same.
alter table scores_score drop constraint scores_one_current;
alter table scores_score add constraint scores_one_current unique nulls not distinct (student_id, taken_on, measure_id, superseded_by);

-- Who was in which grade on a day is asked of many students at once; the exclusion's index takes ten times as long for that.
create index roster_enrolment_of_student on roster_enrolment (student_id, starts);
