-- An entry among the people at home may be the student's own.
alter table roster_contact add own boolean not null default false;
comment on column roster_contact.own is 'The student''s own address, not somebody else''s.';

insert into contacts_text (id, name, purpose) overriding system value values (4, 'To the student: well done', 'praise') on conflict do nothing;
select setval('contacts_text_id_seq', (select max(id) from contacts_text));
insert into contacts_wording (text_id, language, subject, body)
select 4, '', 'Well done', E'Dear {recipient},\n\nyou have {score} in {measure} now, {gain} more than at the start. Well done; I saw how you worked for it.\n\n{sender}'
 where not exists (select from contacts_wording where text_id = 4);
