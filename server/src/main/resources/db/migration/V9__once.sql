-- Answers by the key under which a change was sent, so that one sent twice is done once.
create table once_answer (
  person_id integer not null,
  key       text not null check (key <> ''),
  digest    text not null,
  answer    jsonb,
  at        timestamptz not null default now(),
  primary key (person_id, key)
);
create index on once_answer (at);

alter table once_answer enable row level security;
create policy once_answer_own on once_answer using (person_id = (select scope_person()));
-- The nightly clearing asks for nobody and sees nothing; it is let through by age.
create policy once_answer_old on once_answer for delete using (at < now() - interval '100 days');
create policy once_answer_old_seen on once_answer for select using (at < now() - interval '100 days');

grant select, insert, update, delete on once_answer to ladder_app;
