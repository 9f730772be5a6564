-- What a round is asked for besides words: where it starts from, its references, and the choices made outside the prompt.

alter table round
  add column way text not null default 'prompt' check (way in ('prompt', 'offshoot', 'crossing', 'redo', 'enlarge')),
  -- The candidate it grows from, crosses, mends or enlarges.
  add column parent_id uuid references candidate,
  -- finish, kind, detail, drift, balance, area, factor: those that were chosen.
  add column choices jsonb not null default '{}';

create table round_reference (
  round_id uuid not null references round,
  position integer not null,
  picture_id text not null references picture,
  -- The candidate whose picture it is, when it is one.
  candidate_id uuid references candidate,
  closeness integer not null check (closeness between 0 and 100),
  primary key (round_id, position)
);

alter table candidate
  -- How the engine made it, in the engine's own words; given back to grow from it or to draw it larger.
  add column recipe jsonb,
  -- How much of a sketch is left in it, and where the sketch's picture lies over it.
  add column sketch jsonb;
