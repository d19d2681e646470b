-- The roster of a school year and its screening scores as the files of a OneRoster 1.2 bundle: one select a file, with its columns in the order of the standard. What came
-- from another system goes out under that system's numbers, so that the scores find their students there. Parameters: year, day (as of), school (null: all), source.

-- file: orgs
select or_id('school', s.id, :source) as "sourcedId", '' as status, '' as "dateLastModified", s.name, 'school' as type, s.code as identifier, '' as "parentSourcedId"
  from roster_school s where (:school::integer is null or s.id = :school) order by s.id;

-- file: academicSessions
select or_id('year', y.id, :source) as "sourcedId", '' as status, '' as "dateLastModified", y.name as title, 'schoolYear' as type, y.starts as "startDate", y.ends as "endDate", '' as "parentSourcedId",
       extract(year from y.ends)::integer as "schoolYear"
  from roster_year y where y.id = :year;

-- file: courses
select 'course-' || s.id as "sourcedId", '' as status, '' as "dateLastModified", or_id('year', :year, :source) as "schoolYearSourcedId", 'All lessons' as title, '' as "courseCode",
       '' as grades, or_id('school', s.id, :source) as "orgSourcedId", '' as subjects, '' as "subjectCodes"
  from roster_school s where (:school::integer is null or s.id = :school) order by s.id;

-- file: classes
select or_id('class', c.id, :source) as "sourcedId", '' as status, '' as "dateLastModified", c.name as title, case c.grade when 0 then 'KG' else lpad(c.grade::text, 2, '0') end as grades,
       'course-' || c.school_id as "courseSourcedId", c.code as "classCode", 'homeroom' as "classType", '' as location, or_id('school', c.school_id, :source) as "schoolSourcedId",
       or_id('year', c.year_id, :source) as "termSourcedIds", '' as subjects, '' as "subjectCodes", '' as periods
  from roster_class c where c.year_id = :year and (:school::integer is null or c.school_id = :school)
union all
select or_id('group', g.id, :source), '', '', g.name, '', 'course-' || g.school_id, g.code, 'scheduled', '', or_id('school', g.school_id, :source),
       or_id('year', g.year_id, :source), coalesce(g.subject, ''), '', ''
  from roster_group g where g.year_id = :year and (:school::integer is null or g.school_id = :school)
 order by 1;

-- file: users
select or_id('student', s.id, :source) as "sourcedId", '' as status, '' as "dateLastModified", 'true' as "enabledUser", lower(s.code) as username, '' as "userIds",
       s.given_name as "givenName", s.family_name as "familyName", '' as "middleName", s.code as identifier, '' as email, '' as sms, '' as phone, '' as "agentSourcedIds",
       case p.grade when 0 then 'KG' else lpad(p.grade::text, 2, '0') end as grades, '' as password, '' as "userMasterIdentifier", '' as "resourceSourcedIds",
       coalesce(s.preferred_name, '') as "preferredGivenName", '' as "preferredMiddleName", '' as "preferredFamilyName",
       or_id('school', p.school_id, :source) as "primaryOrgSourcedId", '' as pronouns
  from roster_student s
  join (select e.student_id, min(c.school_id) as school_id, (array_agg(coalesce(e.grade, c.grade) order by e.starts desc))[1] as grade from roster_enrolment e join roster_class c on c.id = e.class_id
         where c.year_id = :year and (:school::integer is null or c.school_id = :school) group by e.student_id) p on p.student_id = s.id
 where s.erased_on is null
union all
select or_id('person', p.id, :source), '', '', p.active::text, p.login, '', split_part(p.name, ' ', 1), substring(p.name from position(' ' in p.name || ' ') + 1), '', '', coalesce(p.email, ''), '', '', '',
       '', '', '', '', '', '', '', or_id('school', p.school_id, :source), ''
  from people_person p where p.role <> 'administrator'
   and (:school::integer is null or p.school_id = :school or exists (select from people_role r where r.person_id = p.id and r.school_id = :school and (r.ends is null or r.ends >= :day)))
 order by 1;

-- file: roles
select 'role-student-' || s.student_id || '-' || s.school_id as "sourcedId", '' as status, '' as "dateLastModified", or_id('student', s.student_id, :source) as "userSourcedId",
       case row_number() over (partition by s.student_id order by s.school_id) when 1 then 'primary' else 'secondary' end as "roleType", 'student' as role, '' as "beginDate", '' as "endDate",
       or_id('school', s.school_id, :source) as "orgSourcedId", '' as "userProfileSourcedId"
  from (select distinct e.student_id, c.school_id from roster_enrolment e join roster_class c on c.id = e.class_id join roster_student s on s.id = e.student_id and s.erased_on is null
         where c.year_id = :year and (:school::integer is null or c.school_id = :school)) s
union all
select 'role-person-' || p.id, '', '', or_id('person', p.id, :source), 'primary', case p.role when 'coordinator' then 'principal' else 'teacher' end, '', '',
       or_id('school', p.school_id, :source), ''
  from people_person p where p.role <> 'administrator' and (:school::integer is null or p.school_id = :school)
union all
select 'role-beside-' || r.id, '', '', or_id('person', r.person_id, :source), 'secondary', case r.role when 'coordinator' then 'principal' else 'teacher' end, r.starts::text,
       coalesce(r.ends::text, ''), or_id('school', r.school_id, :source), ''
  from people_role r join people_person p on p.id = r.person_id and p.role <> 'administrator'
 where r.role <> 'administrator' and (r.ends is null or r.ends >= :day) and (:school::integer is null or r.school_id = :school)
 order by 1;

-- file: enrollments
select or_id('enrolment', e.id, :source) as "sourcedId", '' as status, '' as "dateLastModified", or_id('class', c.id, :source) as "classSourcedId",
       or_id('school', c.school_id, :source) as "schoolSourcedId", or_id('student', e.student_id, :source) as "userSourcedId", 'student' as role, '' as "primary",
       e.starts as "beginDate", e.ends as "endDate"
  from roster_enrolment e join roster_class c on c.id = e.class_id join roster_student s on s.id = e.student_id and s.erased_on is null
 where c.year_id = :year and (:school::integer is null or c.school_id = :school)
union all
select or_id('member', m.id, :source), '', '', or_id('group', g.id, :source), or_id('school', g.school_id, :source), or_id('student', m.student_id, :source), 'student', '', m.starts, m.ends
  from roster_member m join roster_group g on g.id = m.group_id join roster_student s on s.id = m.student_id and s.erased_on is null
 where g.year_id = :year and (:school::integer is null or g.school_id = :school)
union all
select coalesce((select min(f.foreign_id) from roster_foreign f where f.kind = 'teaching' and (f.record_id, f.second_id) = (t.person_id, t.class_id) and f.source = :source),
                'teaching-' || t.person_id || '-' || t.class_id), '', '', or_id('class', c.id, :source), or_id('school', c.school_id, :source), or_id('person', t.person_id, :source),
       'teacher', 'true', null, t.ends
  from people_teaches t join roster_class c on c.id = t.class_id join people_person p on p.id = t.person_id and p.role <> 'administrator'
 where c.year_id = :year and (:school::integer is null or c.school_id = :school)
union all
select or_id('lead', l.id, :source), '', '', or_id('group', g.id, :source), or_id('school', g.school_id, :source), or_id('person', l.person_id, :source), 'teacher', 'true', l.starts, l.ends
  from roster_leads l join roster_group g on g.id = l.group_id join people_person p on p.id = l.person_id and p.role <> 'administrator'
 where g.year_id = :year and (:school::integer is null or g.school_id = :school)
 order by 1;

-- file: categories
select 'screening' as "sourcedId", '' as status, '' as "dateLastModified", 'Screening' as title, '' as weight;

-- file: lineItems
select distinct 'line-' || c.id || '-' || m.id || '-' || w.id as "sourcedId", '' as status, '' as "dateLastModified", m.name || ', ' || w.name as title, m.unit as description,
       w.starts as "assignDate", w.ends as "dueDate", or_id('class', c.id, :source) as "classSourcedId", 'screening' as "categorySourcedId", '' as "gradingPeriodSourcedId",
       m.lowest as "resultValueMin", m.highest as "resultValueMax", or_id('school', c.school_id, :source) as "schoolSourcedId"
  from or_screening(:year, :school, :day) s join roster_class c on c.id = s.class_id join measures_measure m on m.id = s.measure_id join measures_window w on w.id = s.window_id
 order by 1;

-- file: results
select 'result-' || s.id as "sourcedId", '' as status, '' as "dateLastModified", 'line-' || s.class_id || '-' || s.measure_id || '-' || s.window_id as "lineItemSourcedId",
       or_id('student', s.student_id, :source) as "studentSourcedId", case s.status when 'scored' then 'fully graded' when 'exempt' then 'exempt' else 'not submitted' end as "scoreStatus",
       s.value as score, s.taken_on as "scoreDate", '' as comment, or_id('class', s.class_id, :source) as "classSourcedId", '' as "textScore", 'false' as "inProgress",
       'false' as incomplete, 'false' as late, (s.status = 'absent')::text as missing
  from or_screening(:year, :school, :day) s where s.status <> 'invalid'
 order by s.id;
