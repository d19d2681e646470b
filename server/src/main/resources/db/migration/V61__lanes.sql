-- Which lanes somebody sees on students' pages, and in which order.
create table students_lanes (
  person_id integer primary key references people_person on delete cascade,
  sequence  text[] not null check (cardinality(sequence) <= 200),
  hidden    text[] not null check (cardinality(hidden) <= 200)
);
alter table students_lanes enable row level security;
create policy own on students_lanes using (person_id = (select scope_person())) with check (person_id = (select scope_person()));
grant select, insert, update on students_lanes to ladder_app;
