-- What programs tell of answers (xAPI answered, to a thing whose name an item has) are answers as all others. Who voids the statement takes the answer back.
alter table skills_answer add column statement_id uuid;
create index on skills_answer (statement_id) where statement_id is not null;

create function skills_of_statements(done xapi_done[]) returns void language plpgsql security definer set search_path = public, pg_temp as $$
begin
  if not exists (select from skills_item where uri is not null) then
    return;
  end if;
  insert into skills_answer (student_id, item_id, on_day, number, points, possible, answer, seconds, source, known_from, statement_id)
  select t.student_id, t.item_id, t.on_day,
         t.before + row_number() over (partition by t.student_id, t.item_id, t.on_day order by t.at, t.statement_id),
         t.share * t.possible, t.possible, t.response, t.seconds, 'program', t.on_day, t.statement_id
    from (select d.student_id, d.on_day, d.at, d.statement_id, i.id as item_id, i.possible, nullif(left(s.raw -> 'result' ->> 'response', 500), '') as response,
                 case when d.minutes > 0 then least(360000, round(60 * d.minutes))::integer end as seconds,
                 (select count(*) from skills_answer a
                   where a.student_id = d.student_id and a.item_id = i.id and a.on_day = d.on_day and a.superseded_by is null) as before,
                 -- What the program says of it, else what it is worth here (skills_worth, of the next step): an answer without a key waits.
                 coalesce(case when said.share is not null then least(1, greatest(0, said.share)) end, skills_worth(i.id, s.raw -> 'result' ->> 'response')) as share
            from unnest(done) d join xapi_statement s on s.id = d.statement_id and s.verb like '%/answered' join skills_item i on i.uri = s.activity
           cross join lateral (select coalesce((s.raw -> 'result' -> 'score' ->> 'scaled')::double precision,
             (s.raw -> 'result' -> 'score' ->> 'raw')::double precision / nullif((s.raw -> 'result' -> 'score' ->> 'max')::double precision, 0),
             case s.raw -> 'result' ->> 'success' when 'true' then 1 when 'false' then 0 end) as share) said
           where not exists (select from skills_answer a where a.statement_id = d.statement_id)) t
   where (t.share is not null or t.response is not null) and t.before < 90;
end $$;
revoke execute on function skills_of_statements(xapi_done[]) from public;
do $$
begin
  execute regexp_replace(pg_get_functiondef('xapi_act(xapi_done[])'::regprocedure), 'end \$function\$', '  perform skills_of_statements(done);
end $function$');
  execute regexp_replace(pg_get_functiondef('xapi_void(integer, uuid[])'::regprocedure), 'end \$function\$', '  update skills_answer a
     set superseded_by = a.id, superseded_on = greatest(scope_today(), a.known_from) from xapi_statement s
   where s.school_id = in_school and s.id = any(targets) and s.voided and a.statement_id = s.id and a.superseded_by is null;
end $function$');
end $$;
