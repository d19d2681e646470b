-- An uploaded file waits here between its preview and its acceptance, in pieces, so that any server process can go on.
create table records_upload (
  id         bigint generated always as identity primary key,
  person_id  integer not null,
  file_name  text not null,
  kind       text,
  preview    jsonb,
  created_at timestamptz not null default now(),
  applied_at timestamptz
);

create table records_upload_piece (
  upload_id bigint not null references records_upload on delete cascade,
  position  integer not null,
  bytes     bytea not null,
  primary key (upload_id, position)
);
alter table records_upload_piece alter column bytes set storage external;

create table records_refusal (
  upload_id bigint not null references records_upload on delete cascade,
  row_no    integer not null,
  col       text not null,
  value     text not null,
  message   text not null
);
create index on records_refusal (upload_id, row_no);

alter table records_upload enable row level security;
create policy records_upload_own on records_upload using (person_id = (select scope_person()));
alter table records_upload_piece enable row level security;
create policy records_upload_piece_own on records_upload_piece using (upload_id in (select id from records_upload));
alter table records_refusal enable row level security;
create policy records_refusal_own on records_refusal using (upload_id in (select id from records_upload));

grant select, insert, update, delete on records_upload, records_upload_piece, records_refusal to ladder_app;

-- Spring Session's own tables, as its reference gives them.
create table spring_session (
  primary_id            char(36) not null primary key,
  session_id            char(36) not null unique,
  creation_time         bigint not null,
  last_access_time      bigint not null,
  max_inactive_interval int not null,
  expiry_time           bigint not null,
  principal_name        varchar(100)
);
create index on spring_session (expiry_time);
create index on spring_session (principal_name);
create table spring_session_attributes (
  session_primary_id char(36) not null references spring_session (primary_id) on delete cascade,
  attribute_name     varchar(200) not null,
  attribute_bytes    bytea not null,
  primary key (session_primary_id, attribute_name)
);
grant select, insert, update, delete on spring_session, spring_session_attributes to ladder_app;
