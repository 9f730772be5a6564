-- Packages of many files: each file is kept once, by the SHA-256 of its bytes, as a zip holds it, so that a package is put together again to the byte while it is
-- sent; those that were made before are kept as they are.
create table packed_file (
  id text primary key check (id ~ '^[0-9a-f]{64}$'),
  -- Of the file itself, before it was packed.
  bytes bigint not null,
  crc bigint not null,
  -- 0 as it is, 8 deflated (PKWARE APPNOTE 4.4.5).
  method smallint not null check (method in (0, 8)),
  content bytea not null,
  created_at timestamptz not null default now()
);
alter table packed_file alter column content set storage external;

alter table package alter column zip drop not null;
alter table package
  add column bytes bigint,
  -- What was looked at before it left.
  add column checks jsonb not null default '[]';
update package set bytes = length(zip);
alter table package alter column bytes set not null;

create table package_file (
  package_id text not null references package,
  position integer not null,
  name text not null,
  file_id text not null references packed_file,
  primary key (package_id, position),
  unique (package_id, name)
);

-- What is wanted of which works, each at the version it had, and where it came from; both stay as they were when it was asked for. Null in deliveries from before.
alter table delivery
  add column asked json,
  add column descent json,
  add column progress real not null default 0,
  -- The file that was made last.
  add column doing text;
alter table delivery drop constraint delivery_state_check;
alter table delivery add constraint delivery_state_check check (state in ('waiting', 'packing', 'done', 'failed', 'cancelled'));

create or replace function tell_watchers() returns trigger language plpgsql as $$
declare
  told jsonb;
begin
  if tg_table_name = 'commission' then
    told := jsonb_build_object('commissionId', new.id);
  else
    told := jsonb_build_object('commissionId', new.commission_id);
  end if;
  told := told || jsonb_build_object('subject', tg_table_name, 'id', new.id);
  if tg_table_name = 'round' then
    told := told || jsonb_build_object('state', new.state, 'progress', new.progress);
  elsif tg_table_name = 'delivery' then
    told := told || jsonb_build_object('state', new.state, 'progress', new.progress, 'doing', new.doing);
  elsif tg_table_name = 'work' then
    told := told || jsonb_build_object('head', new.head);
  end if;
  perform pg_notify('odd_quill', told::text);
  return null;
end $$;
