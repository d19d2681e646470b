-- A second step at sign-in: one-time codes by time (RFC 6238). The secret is sealed with a key that the server has; codes for the day the device is lost
-- are kept as hashes alone, and each code counts once.
create table people_factor (
  person_id    integer primary key references people_person,
  secret       bytea not null,
  begun_at     timestamptz not null default now(),
  confirmed_at timestamptz,
  last_step    bigint not null default 0
);
create table people_recovery (
  person_id integer not null references people_factor on delete cascade,
  hash      text not null,
  used_at   timestamptz,
  primary key (person_id, hash)
);
comment on table people_factor is 'Without policy: only ladder_people may touch it, which acts before anybody is signed in.';
comment on table people_recovery is 'Without policy: only ladder_people may touch it, which acts before anybody is signed in.';
grant select, insert, update, delete on people_factor, people_recovery to ladder_people;
grant delete on people_signin_try to ladder_people;
