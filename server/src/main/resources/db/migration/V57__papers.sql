-- PDFs of several kinds are made in the background, each by the capability whose it is.
alter table report_job rename to papers_job;
alter policy report_job_own on papers_job rename to papers_job_own;
alter table papers_job add column kind text not null default 'screening-report', add column file text not null default 'screening-report.pdf';
alter table papers_job alter column kind drop default, alter column file drop default;

drop function report_adopt(uuid);
-- Takes over what no living server makes any more; what it was is told to the server alone, which makes it with the asker's rights.
create function papers_adopt(by_server uuid) returns table (id bigint, person_id integer, kind text, asked text)
  language sql volatile security definer set search_path = public, pg_temp as $$
  update papers_job j set server_id = by_server
   where j.id in (select o.id from papers_job o
                   where o.pdf is null and o.failed is null and o.asked is not null and o.created_at > now() - interval '1 day'
                     and (o.server_id is null or not server_lives(o.server_id))
                   order by o.id limit 20 for update skip locked)
  returning j.id, j.person_id, j.kind, j.asked::text
$$;
revoke execute on function papers_adopt(uuid) from public;
grant execute on function papers_adopt(uuid) to ladder_app;

do $$
begin
  execute replace(pg_get_functiondef('roster_erase'::regproc), 'delete from report_job;', 'delete from papers_job;');
end $$;
