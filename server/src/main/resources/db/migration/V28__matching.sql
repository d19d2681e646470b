-- Several files can be brought in together.
create table records_upload_file (
  upload_id bigint not null references records_upload on delete cascade,
  file_no   smallint not null check (file_no >= 0),
  name      text not null,
  primary key (upload_id, file_no)
);
alter table records_upload_file enable row level security;
create policy records_upload_file_own on records_upload_file using (upload_id in (select id from records_upload));
grant select, insert, delete on records_upload_file to ladder_app;

delete from records_upload where applied_at is null;
alter table records_upload drop column kind;
alter table records_upload_piece drop constraint records_upload_piece_pkey;
alter table records_upload_piece add file_no smallint not null default 0;
alter table records_upload_piece add primary key (upload_id, file_no, position);
alter table records_refusal add file_no smallint not null default 0;

-- What people have said their own tables mean, by the headings; as a CSVW description of such a table. A newer one of the same person takes the place of the older.
create table records_matching (
  id        bigint generated always as identity primary key,
  person_id integer not null,
  shared    boolean not null,
  headings  text[] not null,
  label     text not null,
  file_name text not null,
  csvw      jsonb not null,
  made_at   timestamptz not null default now(),
  ended_at  timestamptz
);
create index on records_matching using hash (headings) where ended_at is null;
comment on column records_matching.shared is 'Of an administrator or coordinator: then it is there for everybody.';
alter table records_matching enable row level security;
create policy see on records_matching for select using (shared or person_id = (select scope_person()));
create policy add on records_matching for insert with check (person_id = (select scope_person()) and (not shared or (select scope_role()) in ('coordinator', 'administrator')));
create policy change on records_matching for update using (person_id = (select scope_person()) or shared and (select scope_role()) = 'administrator');
grant select, insert on records_matching to ladder_app;
grant update (ended_at) on records_matching to ladder_app;
