-- What is read in pictures, held against what was asked for: once for each picture and each wording, found by the servers themselves when nobody waits.

-- What a candidate's lettering should say, by the prompt it was drawn from; empty where none was asked for, null where nobody knows.
alter table candidate add column lettering_asked text;
update candidate set lettering_asked = coalesce(substring(prompt from '["“„«]([^"“”„«»]{1,80})["“”»]'), '');

create table picture_lettering (
  picture_id text not null references picture,
  asked text not null,
  state text not null default 'reading' check (state in ('reading', 'done', 'failed')),
  -- Who reads it, since when, and how often it was begun.
  owner uuid not null default gen_random_uuid(),
  claimed_at timestamptz not null default now(),
  takes integer not null default 1,
  verdict text check (verdict in ('none', 'right', 'wrong')),
  lines jsonb,
  primary key (picture_id, asked)
);
