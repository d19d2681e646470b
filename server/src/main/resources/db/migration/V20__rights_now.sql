-- A teaching ends on a day; what is over stays on record.
alter table people_teaches add ends date;
grant update (ends) on people_teaches to ladder_app;

create or replace function scope_classes() returns setof integer language plpgsql stable security definer rows 20 set search_path = public as $$
begin
  if scope_role() = 'teacher' then
    return query select t.class_id
      from people_teaches t join roster_class c on c.id = t.class_id join roster_year y on y.id = c.year_id
     where t.person_id = scope_person() and y.ends >= scope_today() - 90 and (t.ends is null or t.ends >= scope_today());
  elsif scope_role() = 'coordinator' then
    return query select c.id from people_person p join roster_class c on c.school_id = p.school_id where p.id = scope_person();
  elsif scope_role() = 'administrator' then
    return query select c.id from roster_class c;
  end if;
end $$;

create or replace view people_taught as
  select t.person_id, string_agg(c.name, ', ' order by c.name) as classes
    from people_teaches t join roster_class c on c.id = t.class_id
   where c.year_id = (select id from roster_year order by starts desc limit 1) and (t.ends is null or t.ends >= scope_today())
   group by t.person_id;

-- Whose sessions are to end after half an hour of nothing.
alter table people_person add ends_when_idle boolean not null default false;

-- A browser in which a person has signed in before; of its token only the hash.
create table people_device (
  token_hash text not null,
  person_id  integer not null references people_person,
  known_from timestamptz not null default now(),
  last_used  timestamptz not null default now(),
  primary key (token_hash, person_id)
);
create index on people_device (person_id);
grant select, insert, update (last_used), delete on people_device to ladder_app;

-- A try is put on record before the password is looked at, and marked when it was right; where it came from is an address, or a known device.
alter table people_signin_try add id bigint generated always as identity primary key;
alter table people_signin_try rename address to place;
grant update (succeeded) on people_signin_try to ladder_app;

-- Sessions from before know nothing of when they began.
delete from spring_session;

-- For whom which windows are closed, area by area: the newest event that speaks of a class and an area decides. Whatever takes a score asks this.
create function measures_closed() returns table (student_id integer, area text, window_id integer, name text, starts date, ends date)
  language sql stable security definer set search_path = public as $$
    with part as (
      select w.id as window_id, w.name, w.starts, w.ends, c.id as class_id, a.area
        from (select distinct v.window_id, v.school_id from tiers_window_event v) x
        join measures_window w on w.id = x.window_id
        join roster_class c on c.school_id = x.school_id and c.year_id = w.year_id
        cross join (select distinct m.area from measures_measure m) a
       where (select v.kind from tiers_window_event v
               where v.window_id = w.id and v.school_id = c.school_id
                 and (not exists (select from tiers_window_part p where p.event_id = v.id)
                      or exists (select from tiers_window_part p where p.event_id = v.id and p.class_id = c.id and p.area = a.area))
               order by v.id desc limit 1) = 'closed')
    select e.student_id, part.area, part.window_id, part.name, part.starts, part.ends
      from part join roster_enrolment e on e.class_id = part.class_id
       and e.starts <= least(part.ends, scope_today()) and (e.ends is null or e.ends >= least(part.ends, scope_today()))
  $$;
