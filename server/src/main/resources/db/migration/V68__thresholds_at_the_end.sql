-- The chances of a decision rule now stand for the time when all planned scores are in; before that they are stricter. A raise at 0.90 from the first look on
-- is one at 0.75 in the end: who had the one that was given at the beginning gets the other.
alter table measures_measure alter column raise_at_least set default 0.75;
update measures_measure set raise_at_least = 0.75 where raise_at_least = 0.90 and change_at_most = 0.25;
