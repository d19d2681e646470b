-- What a role does not see of students, as an administrator has said. Whoever wrote something sees it still; administrators see everything that is not somebody's own.
create table sight_hidden (
  what      text not null check (what in ('notes', 'files', 'groupings', 'contacts')),
  role      text not null check (role in ('teacher', 'coordinator')),
  because   text not null check (because <> '' and length(because) <= 200),
  hidden_by integer,
  hidden_on date not null,
  primary key (what, role)
);
alter table sight_hidden enable row level security;
create policy see on sight_hidden for select using ((select scope_role()) <> '');
create policy add on sight_hidden for insert with check ((select scope_role()) = 'administrator');
create policy drop on sight_hidden for delete using ((select scope_role()) = 'administrator');
grant select, insert, delete on sight_hidden to ladder_app;

create function scope_sees(of_what text) returns boolean language sql stable security definer set search_path = public, pg_temp as $$
  select not exists (select from sight_hidden h where h.what = of_what and h.role = scope_role())
$$;
revoke execute on function scope_sees(text) from public;
grant execute on function scope_sees(text) to ladder_app;

create policy sight on folder_note as restrictive for select using ((select scope_sees('notes')) or recorded_by = (select scope_person()));
create policy sight on folder_file as restrictive for select using ((select scope_sees('files')) or recorded_by = (select scope_person()));
create policy sight on roster_grouped as restrictive for select using ((select scope_sees('groupings')));
create policy sight on contacts_contact as restrictive for select using ((select scope_sees('contacts')) or recorded_by = (select scope_person()));
create policy sight on contacts_letter as restrictive for select using ((select scope_sees('contacts')) or sent_by = (select scope_person()));
