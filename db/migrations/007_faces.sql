-- Faces that were brought in for a commission, and those that were marked for it.

create table commission_face (
  commission_id uuid not null references commission,
  file_id text not null references file,
  -- What its file says of it: name, style, licence, embedding, axes, scripts.
  facts jsonb not null,
  created_at timestamptz not null default now(),
  primary key (commission_id, file_id)
);

create table favourite_face (
  commission_id uuid not null references commission,
  -- The family's id, "own-" and the file's for one that was brought in.
  family text not null check (length(family) <= 80),
  created_at timestamptz not null default now(),
  primary key (commission_id, family)
);
