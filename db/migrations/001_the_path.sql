-- One path from a brief to a package. Rows are added, not changed in place: what may change is a pointer (an artwork's head),
-- a state (a round's, a delivery's), or a field whose former value is kept in `change`.

create table commission (
  id uuid primary key default gen_random_uuid(),
  name text not null check (length(name) between 1 and 120),
  client text not null default '',
  trade text not null default '',
  audience text not null default '',
  mood text not null default '',
  colours_wanted text not null default '',
  colours_unwanted text not null default '',
  grounds jsonb not null default '[]',
  kind_of_mark text not null default '',
  notes text not null default '',
  allowance integer not null default 120 check (allowance between 0 and 100000),
  archived boolean not null default false,
  revision integer not null default 1,
  created_at timestamptz not null default now()
);

-- What was done to a commission's fields and its candidates' decisions, so that it can be undone.
create table change (
  id bigint generated always as identity primary key,
  commission_id uuid not null references commission,
  subject text not null check (subject in ('commission', 'candidate')),
  subject_id uuid not null,
  before jsonb not null,
  after jsonb not null,
  told text not null,
  state text not null default 'done' check (state in ('done', 'undone', 'abandoned')),
  created_at timestamptz not null default now()
);
create index on change (commission_id, state, id);

-- Pixels by the SHA-256 of their PNG; never changed, shared by whoever needs them.
create table picture (
  id text primary key check (id ~ '^[0-9a-f]{64}$'),
  width_px integer not null,
  height_px integer not null,
  png bytea not null,
  created_at timestamptz not null default now()
);
alter table picture alter column png set storage external;

create table round (
  id uuid primary key default gen_random_uuid(),
  commission_id uuid not null references commission,
  number integer not null,
  request_key text not null,
  prompt text not null,
  leave_out text not null,
  leeway integer not null,
  ratio text not null,
  colours integer,
  count integer not null,
  seed bigint not null,
  size_px integer not null,
  state text not null default 'waiting' check (state in ('waiting', 'drawing', 'done', 'failed', 'cancelled')),
  progress real not null default 0,
  attempt integer not null default 1,
  heartbeat_at timestamptz,
  error text,
  figures jsonb,
  parts jsonb,
  credits_reserved integer not null,
  credits_charged integer not null default 0,
  created_at timestamptz not null default now(),
  finished_at timestamptz,
  unique (commission_id, number),
  unique (commission_id, request_key)
);
create index on round (state) where state in ('waiting', 'drawing');

create table candidate (
  id uuid primary key default gen_random_uuid(),
  commission_id uuid not null references commission,
  round_id uuid references round,
  position integer not null,
  picture_id text not null references picture,
  seed bigint,
  file_name text,
  decision text not null default 'undecided' check (decision in ('undecided', 'kept', 'aside')),
  created_at timestamptz not null default now(),
  unique (round_id, position)
);
create index on candidate (commission_id);

create table artwork (
  id uuid primary key default gen_random_uuid(),
  commission_id uuid not null references commission,
  candidate_id uuid not null unique references candidate,
  name text not null,
  head uuid,
  created_at timestamptz not null default now()
);
create index on artwork (commission_id);

-- Every state an artwork ever had: a tree, in which undo moves the head to the parent and redo to the newest child.
create table artwork_step (
  id uuid primary key default gen_random_uuid(),
  artwork_id uuid not null references artwork,
  number integer not null,
  parent uuid references artwork_step,
  kind text not null check (kind in ('trace', 'edit')),
  told text not null,
  edit jsonb,
  trace_options jsonb,
  ground_hex text,
  drawing jsonb not null,
  created_at timestamptz not null default now(),
  unique (artwork_id, number)
);
create index on artwork_step (parent);
alter table artwork add foreign key (head) references artwork_step;

create table delivery (
  id uuid primary key default gen_random_uuid(),
  commission_id uuid not null references commission,
  artwork_id uuid not null references artwork,
  step_id uuid not null references artwork_step,
  number integer not null,
  request_key text not null,
  about jsonb not null,
  note text not null default '',
  state text not null default 'waiting' check (state in ('waiting', 'packing', 'done', 'failed')),
  heartbeat_at timestamptz,
  error text,
  files jsonb,
  zip bytea,
  zip_sha256 text,
  created_at timestamptz not null default now(),
  finished_at timestamptz,
  unique (commission_id, number),
  unique (commission_id, request_key)
);

-- Whoever watches a commission hears of every change to it, whichever server made it.
create function tell_watchers() returns trigger language plpgsql as $$
declare
  told jsonb;
begin
  told := jsonb_build_object('subject', tg_table_name, 'id', new.id,
    'commissionId', case when tg_table_name = 'commission' then new.id else (to_jsonb(new) ->> 'commission_id')::uuid end);
  if tg_table_name in ('round', 'delivery') then
    told := told || jsonb_build_object('state', to_jsonb(new) -> 'state', 'progress', to_jsonb(new) -> 'progress');
  end if;
  perform pg_notify('odd_quill', told::text);
  return null;
end $$;
create trigger tell after insert or update on commission for each row execute function tell_watchers();
create trigger tell after insert or update on round for each row execute function tell_watchers();
create trigger tell after insert or update on candidate for each row execute function tell_watchers();
create trigger tell after insert or update on artwork for each row execute function tell_watchers();
create trigger tell after insert or update on delivery for each row execute function tell_watchers();
