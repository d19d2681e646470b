-- Names are found without accents and apostrophes: Oscar finds Óscar, "o'm" finds O’Malley. unaccent is not immutable by itself, since its rules can be
-- changed; named with its dictionary, for an index, it is.
create extension if not exists unaccent;
create function roster_plain(name text) returns text language sql immutable strict parallel safe
  return regexp_replace(lower(public.unaccent('public.unaccent', name)), '[''’‘`´.-]', '', 'g');
