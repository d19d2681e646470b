-- A decision about a student without a goal answers no proposal: that is null, not a word of its own.
alter table decisions_decision alter column proposed drop not null;
update decisions_decision set proposed = null where proposed not in ('hold', 'raise', 'change', 'too-soon', 'met', 'not-met');
alter table decisions_decision add check (proposed in ('hold', 'raise', 'change', 'too-soon', 'met', 'not-met'));
