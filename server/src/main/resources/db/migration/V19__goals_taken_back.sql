-- A goal that was set by mistake is taken back: it is superseded by itself, so that everything that asks for what is known as of a day leaves it out.
alter table goals_goal add withdrawn_because text, add withdrawn_by integer;
alter table goals_goal add check ((superseded_by is not distinct from id) = (withdrawn_because is not null));
grant update (withdrawn_because, withdrawn_by) on goals_goal to ladder_app;

-- The goal that a decision set, so that taking the decision back brings back the goal before it, and no other.
alter table decisions_decision add goal_id bigint references goals_goal;
