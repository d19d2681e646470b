-- Whether another student of the same school and year is called the same: then lists say the code beside the name. Told anew whenever students or
-- enrolments come in.
alter table roster_student add namesake boolean not null default false;
create function roster_tell_namesakes() returns void language sql security definer set search_path = public as $$
  with shared as (
    select distinct unnest(array_agg(distinct s.id)) as id
      from roster_enrolment e join roster_class c on c.id = e.class_id join roster_student s on s.id = e.student_id
     group by c.school_id, c.year_id, lower(s.given_name), lower(s.family_name) having count(distinct s.id) > 1)
  update roster_student s set namesake = not s.namesake where s.namesake <> (s.id in (select id from shared))
$$;
select roster_tell_namesakes();
