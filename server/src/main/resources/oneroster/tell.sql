-- Tells what the files of a OneRoster bundle mean in our words. The files stand in temporary tables or_*, those that are missing are empty; each statement ends with a
-- semicolon at the end of its line. What is known from the same source goes by its sourcedId; what is not is looked for by its own code.

create temporary table or_source on commit drop as
select coalesce(max(value) filter (where "propertyName" = 'source.systemCode'), max(value) filter (where "propertyName" = 'source.systemName'), 'oneroster') as source,
       max(value) filter (where "propertyName" = 'file.enrollments' and (select unread from bundle_present where standing = 'or_enrollments') = 0) as enrollments,
       max(value) filter (where "propertyName" = 'file.users' and (select unread from bundle_present where standing = 'or_users') = 0) as users
  from or_manifest;

create temporary table or_of_source on commit drop as
select f.kind, f.foreign_id as fid, f.record_id, f.second_id, f.changed_at from roster_foreign f join or_source x on x.source = f.source;
create index on or_of_source (kind, fid);
analyze or_of_source;

-- A sourcedId that comes again in its file says nothing new.
create temporary table or_repeated (n integer) on commit drop;
with gone as (delete from or_orgs r using (select min(row_no) as row_no, "sourcedId" from or_orgs group by "sourcedId" having count(*) > 1) f
               where r."sourcedId" = f."sourcedId" and r.row_no > f.row_no returning 1)
insert into or_repeated select count(*) from gone;
with gone as (delete from or_academic_sessions r using (select min(row_no) as row_no, "sourcedId" from or_academic_sessions group by "sourcedId" having count(*) > 1) f
               where r."sourcedId" = f."sourcedId" and r.row_no > f.row_no returning 1)
insert into or_repeated select count(*) from gone;
with gone as (delete from or_courses r using (select min(row_no) as row_no, "sourcedId" from or_courses group by "sourcedId" having count(*) > 1) f
               where r."sourcedId" = f."sourcedId" and r.row_no > f.row_no returning 1)
insert into or_repeated select count(*) from gone;
with gone as (delete from or_classes r using (select min(row_no) as row_no, "sourcedId" from or_classes group by "sourcedId" having count(*) > 1) f
               where r."sourcedId" = f."sourcedId" and r.row_no > f.row_no returning 1)
insert into or_repeated select count(*) from gone;
with gone as (delete from or_users r using (select min(row_no) as row_no, "sourcedId" from or_users group by "sourcedId" having count(*) > 1) f
               where r."sourcedId" = f."sourcedId" and r.row_no > f.row_no returning 1)
insert into or_repeated select count(*) from gone;
with gone as (delete from or_enrollments r using (select min(row_no) as row_no, "sourcedId" from or_enrollments group by "sourcedId" having count(*) > 1) f
               where r."sourcedId" = f."sourcedId" and r.row_no > f.row_no returning 1)
insert into or_repeated select count(*) from gone;

-- Rows older than what is known.
create temporary table or_passed (n integer) on commit drop;
with gone as (delete from or_orgs r using or_of_source f where f.kind = 'school' and f.fid = r."sourcedId" and f.changed_at > roster_moment(r."dateLastModified") returning 1)
insert into or_passed select count(*) from gone;
with gone as (delete from or_classes r using or_of_source f where f.kind in ('class', 'group') and f.fid = r."sourcedId" and f.changed_at > roster_moment(r."dateLastModified") returning 1)
insert into or_passed select count(*) from gone;
with gone as (delete from or_users r using or_of_source f where f.kind in ('student', 'person') and f.fid = r."sourcedId" and f.changed_at > roster_moment(r."dateLastModified") returning 1)
insert into or_passed select count(*) from gone;
with gone as (delete from or_enrollments r using or_of_source f where f.kind in ('enrolment', 'member', 'teaching', 'lead') and f.fid = r."sourcedId"
                 and f.changed_at > roster_moment(r."dateLastModified") returning 1)
insert into or_passed select count(*) from gone;

create temporary table or_school on commit drop as
select o.row_no, o."sourcedId" as fid, o.name, o."dateLastModified" as changed,
       coalesce(s.code, case when count(*) over (partition by o.identifier) = 1 then o.identifier end, o."sourcedId") as code
  from or_orgs o left join or_of_source f on f.kind = 'school' and f.fid = o."sourcedId" left join roster_school s on s.id = f.record_id
 where o.type = 'school' and o.status is distinct from 'tobedeleted';
create temporary table or_schools on commit drop as
select fid, code from or_school
union select f.fid, s.code from or_of_source f join roster_school s on s.id = f.record_id where f.kind = 'school' and f.fid not in (select fid from or_school);

-- A year on record stays as it is, whatever a source says of its days; those of several schools are one that is long enough for all.
create temporary table or_year on commit drop as
select s.row_no, s."sourcedId" as fid, s."dateLastModified" as changed, coalesce(k.name, y.name, n.name) as name, coalesce(k.starts, y.starts, n.starts) as starts,
       coalesce(k.ends, y.ends, n.ends) as ends
  from or_academic_sessions s
  left join or_of_source f on f.kind = 'year' and f.fid = s."sourcedId" left join roster_year k on k.id = f.record_id
  left join roster_year y on s."startDate" + (s."endDate" - s."startDate") / 2 between y.starts and y.ends
  cross join lateral (select (n."schoolYear" - 1) || '-' || right(n."schoolYear"::text, 2) as name, min(n."startDate") as starts, max(n."endDate") as ends
                        from or_academic_sessions n where n.type = 'schoolYear' and n."schoolYear" = s."schoolYear" and n.status is distinct from 'tobedeleted'
                       group by n."schoolYear") n
 where s.type = 'schoolYear' and s.status is distinct from 'tobedeleted';
-- Terms are part of their year.
create temporary table or_session on commit drop as
with recursive up as (
  select "sourcedId" as fid, "sourcedId" as at, 0 as deep from or_academic_sessions
  union all
  select u.fid, s."parentSourcedId", u.deep + 1 from up u join or_academic_sessions s on s."sourcedId" = u.at where s."parentSourcedId" is not null and u.deep < 5)
select s.row_no, s."sourcedId" as fid, s."dateLastModified" as changed,
       coalesce((select y.name from up u join or_year y on y.fid = u.at where u.fid = s."sourcedId" order by u.deep limit 1),
                (select y.name from or_year y where s."startDate" between y.starts and y.ends limit 1),
                (select y.name from roster_year y where s."startDate" between y.starts and y.ends)) as year
  from or_academic_sessions s where s.status is distinct from 'tobedeleted';
create temporary table or_sessions on commit drop as
select fid, year from or_session
union select f.fid, y.name from or_of_source f join roster_year y on y.id = f.record_id where f.kind = 'year' and f.fid not in (select fid from or_session);

-- Home classes are classes, scheduled ones are groups. Two of one name are told apart by their codes; a code that another year's class has is none for this one.
create temporary table or_class on commit drop as
with told as (
  select c.row_no, c."sourcedId" as fid, c."classType" = 'homeroom' as home, c."classCode" as own, c."dateLastModified" as changed, coalesce(s.code, c."schoolSourcedId") as school,
         coalesce(y.year, split_part(c."termSourcedIds", ',', 1)) as year, c.title, coalesce(nullif(split_part(c.subjects, ',', 1), ''), o.title) as subject,
         (select min(roster_grade(g)) from unnest(string_to_array(coalesce(c.grades, o.grades), ',')) g) as grade
    from or_classes c left join or_schools s on s.fid = c."schoolSourcedId" left join or_sessions y on y.fid = trim(split_part(c."termSourcedIds", ',', 1))
    left join or_courses o on o."sourcedId" = c."courseSourcedId"
   where c.status is distinct from 'tobedeleted'),
named as (
  select t.*, case when count(*) over (partition by home, school, year, lower(title)) = 1 then title else title || ' (' || coalesce(own, fid) || ')' end as name,
         count(*) over (partition by home, own) = 1 as alone from told t)
select n.row_no, n.fid, n.home, n.changed, n.school, n.year, n.name, n.subject, coalesce(n.grade, k.grade, substring(n.title from '[0-9]+')::integer) as grade,
       coalesce(k.code, g.code, by_name.code, group_by_name.code,
                case when n.own is not null and n.alone and not exists (select from roster_class c where n.home and c.code = n.own)
                      and not exists (select from roster_group c where not n.home and c.code = n.own) then n.own end,
                case when n.own is not null and n.alone and not exists (select from roster_class c where n.home and c.code = n.own || '-' || n.year)
                      and not exists (select from roster_group c where not n.home and c.code = n.own || '-' || n.year) then n.own || '-' || n.year end, n.fid) as code
  from named n
  left join or_of_source f on f.kind = 'class' and f.fid = n.fid and n.home left join roster_class k on k.id = f.record_id
  left join or_of_source h on h.kind = 'group' and h.fid = n.fid and not n.home left join roster_group g on g.id = h.record_id
  left join roster_school s on s.code = n.school left join roster_year y on y.name = n.year
  left join roster_class by_name on n.home and (by_name.school_id, by_name.year_id, by_name.name) = (s.id, y.id, n.name)
  left join roster_group group_by_name on not n.home and (group_by_name.school_id, group_by_name.year_id, group_by_name.name) = (s.id, y.id, n.name);
create temporary table or_places on commit drop as
select fid, code, home, year from or_class
union select f.fid, c.code, true, y.name from or_of_source f join roster_class c on c.id = f.record_id join roster_year y on y.id = c.year_id
 where f.kind = 'class' and f.fid not in (select fid from or_class)
union select f.fid, g.code, false, y.name from or_of_source f join roster_group g on g.id = f.record_id join roster_year y on y.id = g.year_id
 where f.kind = 'group' and f.fid not in (select fid from or_class);
create index on or_places (fid);

-- Who is what: in a file of its own, in the users' as it was in 1.1, or as it is known.
create temporary table or_role on commit drop as
select r."userSourcedId" as fid, r.role, coalesce(s.code, r."orgSourcedId") as school, s.code is not null as is_school, r."roleType" is not distinct from 'primary' as first, r.row_no,
       r."beginDate" as begins, r."endDate" as ends
  from or_roles r left join or_schools s on s.fid = r."orgSourcedId"
 where r.status is distinct from 'tobedeleted' and (r."endDate" is null or r."endDate" >= (select scope_today()))
union all
select u."sourcedId", u.role, coalesce(s.code, split_part(u."orgSourcedIds", ',', 1)), s.code is not null, true, u.row_no, null::date, null::date
  from or_users u left join or_schools s on s.fid = split_part(u."orgSourcedIds", ',', 1) where u.role is not null;
insert into or_role
select u."sourcedId", case f.kind when 'student' then 'student' else 'teacher' end, s.code, s.code is not null, true, u.row_no
  from or_users u join or_of_source f on f.kind in ('student', 'person') and f.fid = u."sourcedId"
  left join people_person p on f.kind = 'person' and p.id = f.record_id left join roster_school s on s.id = p.school_id
 where not exists (select from or_role r where r.fid = u."sourcedId");
analyze or_role;

create temporary table or_student on commit drop as
with told as (
  select u.row_no, u."sourcedId" as fid, u."dateLastModified" as changed, u."givenName" as given_name, nullif(u."preferredGivenName", u."givenName") as preferred_name,
         coalesce(u."preferredFamilyName", u."familyName") as family_name, s.code as known,
         case when count(*) over (partition by u.identifier) = 1
               and not exists (select from roster_student o join or_of_source g on g.kind = 'student' and g.record_id = o.id where o.code = u.identifier) then u.identifier end as own
    from or_users u left join or_of_source f on f.kind = 'student' and f.fid = u."sourcedId" left join roster_student s on s.id = f.record_id
   where u.status is distinct from 'tobedeleted' and exists (select from or_role r where r.fid = u."sourcedId" and r.role = 'student'))
select t.row_no, t.fid, t.changed, t.given_name, t.family_name, t.preferred_name, o.code is null and t.known is null as new,
       coalesce(t.known, t.own, 'N' || lpad((rank() over (partition by coalesce(t.known, t.own) is null order by t.fid)
         + coalesce((select max(substring(code from 2)::integer) from roster_student where code ~ '^N[0-9]{1,8}$'), 0))::text, 4, '0')) as code
  from told t left join roster_student o on o.code = coalesce(t.known, t.own);
create temporary table or_students on commit drop as
select fid, code from or_student
union select f.fid, s.code from or_of_source f join roster_student s on s.id = f.record_id where f.kind = 'student' and f.fid not in (select fid from or_student);
create index on or_students (fid);

-- Who is on record stays what they are there: no file makes a coordinator a teacher, or anybody an administrator.
create temporary table or_person on commit drop as
with staff as (
  select fid, case when bool_or(role in ('principal', 'siteAdministrator')) then 'coordinator' else 'teacher' end as role,
         (array_agg(school order by is_school desc, first desc, row_no))[1] as school
    from or_role where role in ('teacher', 'principal', 'siteAdministrator') group by fid)
select u.row_no, u."sourcedId" as fid, u."dateLastModified" as changed, coalesce(q.login, lower(u.username)) as login,
       concat_ws(' ', coalesce(u."preferredGivenName", u."givenName"), coalesce(u."preferredFamilyName", u."familyName")) as person,
       coalesce(q.role, p.role, t.role) as role, case when u.email ~ '^[^@\s]+@[^@\s]+$' then u.email end as email, case when coalesce(q.id, p.id) is null then t.school else s.code end as school
  from or_users u join staff t on t.fid = u."sourcedId"
  left join or_of_source f on f.kind = 'person' and f.fid = u."sourcedId" left join people_person q on q.id = f.record_id
  left join people_person p on q.id is null and p.login = lower(u.username)
  left join roster_school s on s.id = coalesce(q.school_id, p.school_id)
 where u.status is distinct from 'tobedeleted' and lower(coalesce(u."enabledUser", 'true')) <> 'false';
create temporary table or_people on commit drop as
select fid, login from or_person
union select f.fid, p.login from or_of_source f join people_person p on p.id = f.record_id where f.kind = 'person' and f.fid not in (select fid from or_person);
create index on or_people (fid);

-- Roles beside the one that somebody has or gets; what runs already keeps its first day.
create temporary table or_beside on commit drop as
select min(r.row_no) as row_no, p.login, m.role, r.school, coalesce(min(b.starts), min(r.begins), (select scope_today())) as "from", max(r.ends) as "to"
  from or_role r cross join lateral (select case when r.role in ('principal', 'siteAdministrator') then 'coordinator' else 'teacher' end as role) m
  join or_person p on p.fid = r.fid left join people_person k on k.login = p.login left join roster_school s on s.code = r.school
  left join people_role b on b.person_id = k.id and b.role = m.role and b.school_id = s.id and (b.ends is null or b.ends >= (select scope_today()))
 where r.role in ('teacher', 'principal', 'siteAdministrator') and r.is_school and (m.role, r.school) is distinct from (p.role, p.school) and p.role <> 'administrator'
   and not (m.role = 'teacher' and r.school = p.school)
 group by p.login, m.role, r.school;

create temporary table or_enrolled on commit drop as
select e.row_no, e."sourcedId" as fid, e."dateLastModified" as changed, e.role = 'student' as student_role, coalesce(s.code, e."userSourcedId") as student,
       coalesce(p.login, e."userSourcedId") as login, coalesce(c.code, e."classSourcedId") as place, coalesce(c.home, true) as home, e."beginDate" as begins, e."endDate" as ends,
       y.starts as year_starts, greatest((select scope_today()), y.starts) as now_or_then, (select roster_grade(u.grades) from or_users u where u."sourcedId" = e."userSourcedId") as grade
  from or_enrollments e
  left join or_places c on c.fid = e."classSourcedId" left join or_students s on s.fid = e."userSourcedId" left join or_people p on p.fid = e."userSourcedId"
  left join (select name, min(starts) as starts from (select name, starts from or_year union select name, starts from roster_year) y group by name) y on y.name = c.year
 where e.status is distinct from 'tobedeleted'
   and (e.role = 'student' or e.role = 'teacher' and (p.login is not null or not exists (select from or_users u where u."sourcedId" = e."userSourcedId")));
analyze or_enrolled;

-- An enrolment that is known keeps its first day; who is in another class of a running year begins today.
create temporary table or_placed on commit drop as
select p.row_no, p.fid, p.changed, p.student, p.place, p.ends, p.grade, here.id as enrolment,
       coalesce(here.starts, p.begins, case when other.id is null then p.year_starts else p.now_or_then end, (select scope_today())) as begins
  from or_enrolled p
  left join or_of_source f on f.kind = 'enrolment' and f.fid = p.fid
  left join roster_student s on s.code = p.student left join roster_class c on c.code = p.place
  left join lateral (select e.id, e.starts from roster_enrolment e where e.student_id = s.id and e.class_id = c.id
                        and (e.id = f.record_id or e.ends is null or e.ends >= coalesce(p.begins, p.now_or_then)) order by e.id = f.record_id desc nulls last, e.starts desc limit 1) here on true
  left join lateral (select e.id from roster_enrolment e join roster_class k on k.id = e.class_id join roster_year y on y.id = k.year_id
                      where e.student_id = s.id and e.class_id is distinct from c.id and y.starts = p.year_starts and (e.ends is null or e.ends >= p.now_or_then) limit 1) other on true
 where p.student_role and p.home;
analyze or_placed;
create temporary table or_joined on commit drop as
select p.row_no, p.fid, p.changed, p.student, p.place, p.ends, here.id as member, coalesce(here.starts, p.begins, p.year_starts, (select scope_today())) as begins
  from or_enrolled p
  left join roster_student s on s.code = p.student left join roster_group g on g.code = p.place
  left join lateral (select m.id, m.starts from roster_member m where m.student_id = s.id and m.group_id = g.id and (m.ends is null or m.ends >= coalesce(p.begins, p.now_or_then))
                      order by m.starts limit 1) here on true
 where p.student_role and not p.home;
create temporary table or_taught on commit drop as
select p.row_no, p.fid, p.changed, p.login, p.place, p.home, p.ends, here.id as lead, coalesce(here.starts, p.begins, p.year_starts, (select scope_today())) as begins
  from or_enrolled p
  left join people_person t on t.login = p.login left join roster_group g on not p.home and g.code = p.place
  left join lateral (select l.id, l.starts from roster_leads l where l.person_id = t.id and l.group_id = g.id and (l.ends is null or l.ends >= coalesce(p.begins, p.now_or_then))
                      order by l.starts limit 1) here on true
 where not p.student_role;

-- What the source no longer has: with its last day. Of enrolments also those in whose place another begins.
create temporary table or_left on commit drop as
select e.id, s.code as student, c.code as place, e.starts, greatest(e.starts, coalesce(n.begins - 1, (select scope_today()))) as ends, n.begins is null as leaves
  from roster_enrolment e cross join or_source x join roster_student s on s.id = e.student_id join roster_class c on c.id = e.class_id
  join roster_year y on y.id = c.year_id and y.ends >= (select scope_today())
  left join or_of_source f on f.kind = 'enrolment' and f.record_id = e.id
  left join lateral (select min(p.begins) as begins from or_placed p where p.student = s.code and p.enrolment is null and p.begins > e.starts and (e.ends is null or e.ends >= p.begins)) n on true
 where (e.ends is null or e.ends > (select scope_today())) and not exists (select from or_placed p where p.enrolment = e.id)
   and (n.begins is not null or f.fid is not null and (x.enrollments = 'bulk' and not exists (select from or_enrolled q where q.fid = f.fid and q.place not in (select code from or_places)) or exists (select from or_enrollments d where d."sourcedId" = f.fid and d.status = 'tobedeleted')));
create temporary table or_ended on commit drop as
select f.kind, f.record_id, f.second_id, f.fid
  from or_of_source f cross join or_source x
 where f.kind in ('member', 'teaching', 'lead')
   and (x.enrollments = 'bulk' and not exists (select from or_enrollments d where d."sourcedId" = f.fid and d.status is distinct from 'tobedeleted')
        or exists (select from or_enrollments d where d."sourcedId" = f.fid and d.status = 'tobedeleted'))
union all
select f.kind, f.record_id, null, f.fid
  from or_of_source f cross join or_source x join people_person p on p.id = f.record_id and p.active and p.role <> 'administrator' and p.id is distinct from (select scope_person())
 where f.kind = 'person'
   and (x.users = 'bulk' and not exists (select from or_users u where u."sourcedId" = f.fid)
        or exists (select from or_users u where u."sourcedId" = f.fid and (u.status = 'tobedeleted' or lower(u."enabledUser") = 'false')));
create temporary table or_member_left on commit drop as
select g.code as place, s.code as student, m.starts, greatest(m.starts, (select scope_today())) as ends
  from or_ended f join roster_member m on f.kind = 'member' and m.id = f.record_id and (m.ends is null or m.ends > (select scope_today()))
  join roster_group g on g.id = m.group_id join roster_student s on s.id = m.student_id join roster_year y on y.id = g.year_id and y.ends >= (select scope_today());
create temporary table or_teaching_left on commit drop as
select p.login, c.code as place from or_ended f join people_teaches t on f.kind = 'teaching' and (t.person_id, t.class_id) = (f.record_id, f.second_id)
   and (t.ends is null or t.ends >= (select scope_today()))
  join people_person p on p.id = t.person_id join roster_class c on c.id = t.class_id join roster_year y on y.id = c.year_id and y.ends >= (select scope_today())
 where not exists (select from or_taught n where n.login = p.login and n.place = c.code and n.home);
create temporary table or_lead_left on commit drop as
select g.code as place, p.login, l.starts, greatest(l.starts, (select scope_today()) - 1) as ends
  from or_ended f join roster_leads l on f.kind = 'lead' and l.id = f.record_id and (l.ends is null or l.ends >= (select scope_today()))
  join roster_group g on g.id = l.group_id join people_person p on p.id = l.person_id join roster_year y on y.id = g.year_id and y.ends >= (select scope_today())
 where not exists (select from or_taught n where n.lead = l.id);
