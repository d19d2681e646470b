-- A school's printed pages have fixed words in English and in one language more.
create table prints_language (
  school_id  integer primary key references roster_school,
  name       text not null check (length(name) between 1 and 60),
  tag        text not null check (tag ~ '^[a-zA-Z]{2,3}(-[a-zA-Z0-9]{2,8}){0,3}$'),
  changed_by integer not null,
  changed_at timestamptz not null default now()
);
create table prints_word (
  school_id integer not null references prints_language on delete cascade,
  phrase    text not null check (length(phrase) <= 60),
  words     text not null check (length(words) between 1 and 300),
  primary key (school_id, phrase)
);
alter table prints_language enable row level security;
create policy see on prints_language for select using ((select scope_role()) <> '');
create policy add on prints_language for insert with check (scope_sets_up(school_id));
create policy change on prints_language for update using (scope_sets_up(school_id));
alter table prints_word enable row level security;
create policy see on prints_word for select using ((select scope_role()) <> '');
create policy add on prints_word for insert with check (scope_sets_up(school_id));
create policy drop on prints_word for delete using (scope_sets_up(school_id));
grant select, insert on prints_language to ladder_app;
grant update (name, tag, changed_by, changed_at) on prints_language to ladder_app;
grant select, insert, delete on prints_word to ladder_app;
