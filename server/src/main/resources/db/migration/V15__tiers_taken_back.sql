-- A decision on a tier can be taken back: the version that says so has no tier, and every reader passes over it.
alter table tiers_tier drop constraint tiers_tier_outcome_check, drop constraint tiers_tier_check1;
alter table tiers_tier add constraint tiers_tier_outcome_check check (outcome in ('confirmed', 'overridden', 'retest', 'withdrawn')),
  add constraint tiers_tier_without check ((outcome in ('retest', 'withdrawn')) = (tier is null));
