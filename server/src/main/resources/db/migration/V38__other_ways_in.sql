-- Ways to sign in beside a password. Like passwords they are another role's, which knows nothing of students.
-- A passkey (Web Authentication, W3C): the public half of a key that a device keeps.
create table people_passkey (
  credential_id bytea primary key check (length(credential_id) between 1 and 1023),
  person_id     integer not null references people_person,
  public_key    bytea not null,
  signatures    bigint not null,
  uv            boolean not null,
  backup_able   boolean not null,
  backed_up     boolean not null,
  transports    text[] not null,
  attestation   bytea,
  client_data   bytea,
  name          text not null check (name <> ''),
  made_at       timestamptz not null default now(),
  used_at       timestamptz
);
create index on people_passkey (person_id);
-- By what a device knows whose key it is: a number of no meaning, one a person.
create table people_passkey_user (
  person_id integer primary key references people_person,
  handle    bytea not null unique check (length(handle) between 16 and 64)
);
-- Who somebody is for the school's own sign-in (OpenID Connect): its issuer's word for them, which stays when names and addresses change.
create table people_elsewhere (
  issuer    text not null,
  subject   text not null,
  person_id integer not null references people_person,
  linked_at timestamptz not null default now(),
  used_at   timestamptz not null default now(),
  primary key (issuer, subject)
);
create index on people_elsewhere (person_id);
grant select, insert, update, delete on people_passkey, people_passkey_user, people_elsewhere to ladder_people;
do $$
declare
  t text;
begin
  foreach t in array array['people_passkey', 'people_passkey_user', 'people_elsewhere'] loop
    execute format('comment on table %I is %L', t, 'Without policy: only ladder_people may touch it, which acts before anybody is signed in.');
  end loop;
end $$;
