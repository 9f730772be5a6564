-- Works: anything with a history. An artwork no longer hangs on one candidate; its steps keep what was asked and what it changed, and a whole
-- state now and then. Packages are kept by their SHA-256 like pictures, and jobs have an owner.

-- A file that was brought in, as it came, by the SHA-256 of its bytes; never changed.
create table file (
  id text primary key check (id ~ '^[0-9a-f]{64}$'),
  media_type text not null,
  bytes bytea not null,
  created_at timestamptz not null default now()
);
alter table file alter column bytes set storage external;

create table work (
  id uuid primary key default gen_random_uuid(),
  commission_id uuid not null references commission,
  kind text not null check (kind in ('retouched', 'artwork', 'lockup')),
  name text not null,
  -- The step that is shown: undo moves it to the parent, redo to the newest child.
  head uuid,
  created_at timestamptz not null default now()
);
create index on work (commission_id);

create table work_step (
  id uuid primary key default gen_random_uuid(),
  work_id uuid not null references work,
  number integer not null,
  parent uuid references work_step,
  -- What was asked: {kind: 'trace' | 'edits' | ...} with what belongs to it.
  asked jsonb not null,
  -- How the history tells it.
  told text not null,
  -- What it changed against its parent (core/history); null where a whole state says it in less.
  changed json,
  -- The whole state: of every first step, and of others now and then.
  whole json,
  -- Steps and bytes of changes since the last whole state on the way to the root, this step's included.
  steps_since integer not null default 0,
  bytes_since integer not null default 0,
  -- The nearest step on the way to the root that did not edit but made: traced, brought in, copied.
  origin uuid references work_step,
  created_at timestamptz not null default now(),
  unique (work_id, number),
  check (changed is not null or whole is not null)
);
create index on work_step (parent);
-- Whole states are large and read often: where the server has it, the compression that is fastest to undo.
do $$ begin
  alter table work_step alter column whole set compression lz4;
exception when others then null;
end $$;
alter table work add foreign key (head) references work_step;

-- What a step was made from, by role.
create table work_source (
  step_id uuid not null references work_step,
  position integer not null default 0,
  role text not null,
  candidate_id uuid references candidate,
  picture_id text references picture,
  file_id text references file,
  source_step_id uuid references work_step,
  primary key (step_id, position),
  check (num_nonnulls(candidate_id, picture_id, file_id, source_step_id) = 1)
);
create index on work_source (candidate_id);
create index on work_source (source_step_id);

-- Acts that were done, by the key that the page gave them: one that is sent again is done once.
create table work_act (
  work_id uuid not null references work,
  key text not null,
  -- Where the head stood after it.
  head uuid not null references work_step,
  created_at timestamptz not null default now(),
  primary key (work_id, key)
);

insert into work (id, commission_id, kind, name, created_at)
select id, commission_id, 'artwork', name, created_at from artwork;

-- Steps from before keep their whole states: what they changed was never recorded, and is not guessed.
insert into work_step (id, work_id, number, parent, asked, told, whole, created_at)
select s.id, s.artwork_id, s.number, s.parent,
  case s.kind when 'trace' then jsonb_build_object('kind', 'trace', 'options', coalesce(s.trace_options, '{}'::jsonb), 'groundHex', s.ground_hex)
    else jsonb_build_object('kind', 'edits', 'edits', jsonb_build_array(s.edit)) end,
  s.told,
  json_build_object(
    'widthPx', s.drawing -> 'widthPx', 'heightPx', s.drawing -> 'heightPx', 'inks', s.drawing -> 'inks',
    'nodes', coalesce((select jsonb_agg(jsonb_build_object('kind', 'piece') || p.value order by p.ordinality)
      from jsonb_array_elements(s.drawing -> 'pieces') with ordinality p), '[]'::jsonb),
    'guides', '[]'::jsonb),
  s.created_at
from artwork_step s order by s.artwork_id, s.number;

with recursive made as (
  select id, id as origin from work_step where asked ->> 'kind' = 'trace'
  union all
  select s.id, m.origin from work_step s join made m on s.parent = m.id where s.asked ->> 'kind' <> 'trace'
)
update work_step s set origin = m.origin from made m where m.id = s.id;

insert into work_source (step_id, role, candidate_id)
select s.id, 'traced', a.candidate_id from artwork_step s join artwork a on a.id = s.artwork_id where s.kind = 'trace';

update work w set head = a.head from artwork a where a.id = w.id;

-- Packages: a delivery that is made again adds one, and never takes the place of what was delivered.
create table package (
  id text primary key check (id ~ '^[0-9a-f]{64}$'),
  zip bytea not null,
  files jsonb not null,
  created_at timestamptz not null default now()
);
alter table package alter column zip set storage external;
create table delivery_package (
  delivery_id uuid not null references delivery,
  position integer not null,
  package_id text not null references package,
  created_at timestamptz not null default now(),
  primary key (delivery_id, position),
  unique (delivery_id, package_id)
);
insert into package (id, zip, files, created_at)
select distinct on (zip_sha256) zip_sha256, zip, coalesce(files, '[]'::jsonb), coalesce(finished_at, created_at)
from delivery where zip is not null and zip_sha256 is not null order by zip_sha256, number;
insert into delivery_package (delivery_id, position, package_id, created_at)
select id, 1, zip_sha256, coalesce(finished_at, created_at) from delivery where zip is not null and zip_sha256 is not null;

drop trigger tell on artwork;
alter table delivery drop constraint delivery_artwork_id_fkey, drop constraint delivery_step_id_fkey;
alter table delivery rename column artwork_id to work_id;
alter table delivery drop column zip, drop column zip_sha256, drop column files;
alter table delivery add foreign key (work_id) references work, add foreign key (step_id) references work_step;
alter table artwork drop constraint artwork_head_fkey;
drop table artwork_step;
drop table artwork;

-- Pictures that were brought in for a commission to refer to, and hang nowhere.
create table commission_picture (
  commission_id uuid not null references commission,
  picture_id text not null references picture,
  primary key (commission_id, picture_id)
);
insert into commission_picture (commission_id, picture_id)
select distinct r.commission_id, f.picture_id from round_reference f join round r on r.id = f.round_id;

-- Jobs: whoever does one writes with the token it took; a job that was taken too often is given up.
alter table round add column owner uuid, add column takes integer not null default 0;
alter table delivery add column owner uuid, add column takes integer not null default 0;

-- What the application must know of a candidate, in words of its own: a recipe is the engine's, and is only given back.
alter table candidate
  add column grows boolean not null default false,
  add column enlarges boolean not null default false,
  add column prompt text,
  add column ratio text;
update candidate set
  grows = recipe is not null and not coalesce((recipe ->> 'mended')::boolean, false),
  enlarges = recipe is not null and not coalesce((recipe ->> 'mended')::boolean, false),
  prompt = recipe ->> 'prompt',
  ratio = recipe ->> 'ratio';

-- Told without turning whole rows into JSON: some hold large things.
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
    told := told || jsonb_build_object('state', new.state);
  elsif tg_table_name = 'work' then
    told := told || jsonb_build_object('head', new.head);
  end if;
  perform pg_notify('odd_quill', told::text);
  return null;
end $$;
create trigger tell after insert or update on work for each row execute function tell_watchers();
