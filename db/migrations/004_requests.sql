-- Requests that change something, by the key that whoever asked gave them: one that is sent again is done once, and answered as it was.
create table request (
  key text primary key check (length(key) between 8 and 64),
  -- Method and path, so that a key that is used for something else is told.
  asked text not null,
  -- The id of what it made, known before its answer is.
  made text,
  status integer,
  answer jsonb,
  created_at timestamptz not null default now()
);
create index on request (created_at);
