-- A school can have years of its own, beside those that are every school's, and they may lie otherwise: what belongs to a year (classes, groups, windows, cut scores) goes by it.
alter table roster_year add school_id integer references roster_school;
alter table roster_year drop constraint roster_year_apart;
alter table roster_year add constraint roster_year_apart exclude using gist ((coalesce(school_id, 0)) with =, daterange(starts, ends, '[]') with &&);
alter table measures_window drop constraint measures_window_apart;
alter table measures_window add constraint measures_window_apart exclude using gist (year_id with =, daterange(starts, ends, '[]') with &&);

-- The years of a school: its own, and those of every school in whose time it has none.
create function roster_years_of(of integer) returns setof integer language sql stable as $$
  select y.id from roster_year y where y.school_id = of
  union all
  select y.id from roster_year y where y.school_id is null
     and not exists (select from roster_year o where o.school_id = of and daterange(o.starts, o.ends, '[]') && daterange(y.starts, y.ends, '[]')) $$;

-- Nothing of a school stands in a year of another.
create function roster_year_fits() returns trigger language plpgsql as $$
begin
  if exists (select from roster_year y where y.id = new.year_id and y.school_id <> new.school_id) then
    raise exception 'that year is another school''s' using errcode = '23514';
  end if;
  return new;
end $$;
create trigger year_fits before insert or update of school_id, year_id on roster_class for each row execute function roster_year_fits();
create trigger year_fits before insert or update of school_id, year_id on roster_group for each row execute function roster_year_fits();

create or replace view people_taught as
  select t.person_id, string_agg(c.name, ', ' order by c.name) as classes
    from people_teaches t join roster_class c on c.id = t.class_id
   where c.year_id = (select y.id from roster_year y where y.school_id is null or y.school_id = c.school_id
                       order by y.starts <= scope_today() desc, y.school_id is not null and y.ends >= scope_today() desc, y.starts desc limit 1)
     and (t.ends is null or t.ends >= scope_today())
   group by t.person_id;
