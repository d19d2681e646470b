-- A measure that is not given any more: its last day. What was scored by it stays.
alter table measures_measure add ends date;
grant update (ends) on measures_measure to ladder_app;
