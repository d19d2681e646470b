-- A link by which somebody sets the own password, once and within a week; a newer one takes its place. Of its token only the hash.
create table people_invitation (
  token_hash text primary key,
  person_id  integer not null references people_person,
  made_by    integer not null,
  made_at    timestamptz not null default now(),
  ends_at    timestamptz not null,
  used_at    timestamptz
);
create index on people_invitation (person_id);
comment on table people_invitation is 'Without policy: only ladder_people may touch it, which acts before anybody is signed in.';
grant select, insert, update, delete on people_invitation to ladder_people;

alter table people_person add signed_in_at timestamptz;
