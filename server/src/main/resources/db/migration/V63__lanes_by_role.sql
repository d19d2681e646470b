-- More that a role may not see: the lanes of a student's page, and who is at home. What is hidden here is hidden whole, one's own entries too, and cannot be
-- entered: a share or a count of a part of it would be wrong. Where nothing of a kind is to be seen, every view says that nothing is on record, and the page
-- that it may be.
alter table sight_hidden drop constraint sight_hidden_what_check;
alter table sight_hidden add constraint sight_hidden_what_check
  check (what in ('notes', 'files', 'groupings', 'contacts', 'home', 'attendance', 'time', 'work', 'skills', 'tiers', 'plans'));

do $$
declare
  hides record;
begin
  for hides in select * from (values
      ('home', 'roster_contact'), ('attendance', 'attendance_day'), ('time', 'engagement_action'), ('time', 'engagement_day'), ('time', 'engagement_week'),
      -- Pieces and frameworks too: a piece without its marks would be work that nobody handed in, a skill without answers one that nobody tried.
      ('work', 'work_piece'), ('work', 'work_attempt'), ('work', 'work_told'), ('skills', 'skills_framework'), ('skills', 'skills_answer'),
      ('tiers', 'tiers_tier'), ('tiers', 'tiers_opinion'), ('plans', 'plans_plan'), ('plans', 'plans_phase'), ('plans', 'plans_session'),
      ('plans', 'plans_concern')) as h(what, tab)
  loop
    execute format('create policy sight on %I as restrictive for all using ((select scope_sees(%L))) with check ((select scope_sees(%L)))', hides.tab, hides.what,
                   hides.what);
  end loop;
  -- These look past the policies, for whole classes and grades.
  execute replace(pg_get_functiondef('engagement_classes'::regproc), 'return query', 'if not scope_sees(''time'') then return; end if;
  return query');
  execute replace(pg_get_functiondef('engagement_usual'::regproc), 'return query', 'if not scope_sees(''time'') then return; end if;
  return query');
  execute replace(pg_get_functiondef('skills_of_grade'::regproc), 'and (scope_role() = ''administrator''',
                  'and scope_sees(''skills'') and (scope_role() = ''administrator''');
end $$;
