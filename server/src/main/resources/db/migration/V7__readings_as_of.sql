-- A reading is known from the day it was recorded, so that views as of an earlier day do not show it.
alter table reading_reading add known_from date not null default current_date;
update reading_reading set known_from = greatest(read_on, recorded_at::date);
alter table reading_reading alter known_from drop default;
