-- Owned by the migrating role; the server works as ladder_app, which owns nothing and is held by row-level security.
create extension if not exists btree_gist;

-- Who is asking. Set by the server at the start of every transaction; nobody means nothing is visible.
create function scope_person() returns integer language sql stable
  return nullif(current_setting('ladder.person', true), '')::integer;
create function scope_role() returns text language sql stable
  return coalesce(current_setting('ladder.role', true), '');

create function scope_today() returns date language sql stable
  return coalesce(nullif(current_setting('ladder.today', true), '')::date, current_date);

create table roster_school (
  id   integer generated always as identity primary key,
  code text not null unique check (code <> ''),
  name text not null check (name <> '')
);

create table roster_year (
  id     integer generated always as identity primary key,
  name   text not null unique check (name <> ''),
  starts date not null,
  ends   date not null check (ends > starts),
  constraint roster_year_apart exclude using gist (daterange(starts, ends, '[]') with &&)
);

create table roster_class (
  id        integer generated always as identity primary key,
  code      text not null unique check (code <> ''),
  school_id integer not null references roster_school,
  year_id   integer not null references roster_year,
  name      text not null check (name <> ''),
  grade     smallint not null check (grade between 0 and 13),
  unique (school_id, year_id, name)
);

create table roster_student (
  id          integer generated always as identity primary key,
  code        text not null unique check (code <> ''),
  given_name  text not null check (given_name <> ''),
  family_name text not null,
  support     text
);

create table roster_enrolment (
  id         integer generated always as identity primary key,
  student_id integer not null references roster_student,
  class_id   integer not null references roster_class,
  starts     date not null,
  ends       date check (ends >= starts),
  constraint roster_enrolment_one_class exclude using gist (student_id with =, daterange(starts, ends, '[]') with &&)
);
create index on roster_enrolment (class_id);

create table people_person (
  id            integer generated always as identity primary key,
  login         text not null unique check (login = lower(login) and login <> ''),
  name          text not null check (name <> ''),
  role          text not null check (role in ('teacher', 'coordinator', 'administrator')),
  school_id     integer references roster_school,
  password_hash text,
  active        boolean not null default true,
  check (role = 'administrator' or school_id is not null)
);

create table people_teaches (
  person_id integer not null references people_person,
  class_id  integer not null references roster_class,
  primary key (person_id, class_id)
);
create index on people_teaches (class_id);

create table people_signin_try (
  login     text not null,
  address   text not null,
  at        timestamptz not null default now(),
  succeeded boolean not null
);
create index on people_signin_try (login, at);
create index on people_signin_try (address, at);

-- One row while the first administrator is not set up; the token itself is never stored.
create table people_setup_link (
  token_hash text primary key,
  created_at timestamptz not null default now(),
  used_at    timestamptz
);

-- What a viewer may open. A teacher keeps a class for 90 days after its year has ended: time to finish the reports, not for
-- ever. A coordinator has the school, an administrator everything. Class names are not secret (a student's history names
-- them); the lists in them are. The functions run as their owner, past the policies below, and have a branch for each role
-- because one query for all roles is planned for the widest of them, at every read.
create function scope_classes() returns setof integer language plpgsql stable security definer rows 20 set search_path = public as $$
begin
  if scope_role() = 'teacher' then
    return query select t.class_id
      from people_teaches t join roster_class c on c.id = t.class_id join roster_year y on y.id = c.year_id
     where t.person_id = scope_person() and y.ends >= scope_today() - 90;
  elsif scope_role() = 'coordinator' then
    return query select c.id from people_person p join roster_class c on c.school_id = p.school_id where p.id = scope_person();
  elsif scope_role() = 'administrator' then
    return query select c.id from roster_class c;
  end if;
end $$;

-- Students that a teacher or a coordinator may see: those ever enrolled in a class they may open. The policies let an
-- administrator through without this list.
create function scope_students() returns setof integer language plpgsql stable security definer rows 50 set search_path = public as $$
begin
  if scope_role() in ('teacher', 'coordinator') then
    return query select e.student_id from roster_enrolment e where e.class_id = any (array(select scope_classes()));
  end if;
end $$;

-- The classes each person teaches in the newest year, in words; for choosing a sample person before signing in.
create view people_taught as
  select t.person_id, string_agg(c.name, ', ' order by c.name) as classes
    from people_teaches t join roster_class c on c.id = t.class_id
   where c.year_id = (select id from roster_year order by starts desc limit 1)
   group by t.person_id;

alter table roster_student enable row level security;
create policy roster_student_see on roster_student
  using ((select scope_role()) = 'administrator' or id in (select scope_students()));

alter table roster_enrolment enable row level security;
create policy roster_enrolment_see on roster_enrolment
  using ((select scope_role()) = 'administrator' or student_id in (select scope_students()));

grant select, insert, update on roster_school, roster_year, roster_class, roster_student, roster_enrolment, people_person,
  people_setup_link to ladder_app;
grant select, insert, delete on people_teaches, people_signin_try to ladder_app;
grant select on people_taught to ladder_app;
