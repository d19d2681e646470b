-- Students who left long enough ago are erased together: asked for and said yes to as one, each with a line of its own.
alter table roster_erasure add column batch integer;
create index on roster_erasure (batch) where batch is not null;
