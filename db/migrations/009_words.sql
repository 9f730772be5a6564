-- Names that were decided about, and patterns: prompts with a gap for their figure, for every commission.
create table client_name (
  id uuid primary key default gen_random_uuid(),
  commission_id uuid not null references commission,
  name text not null,
  -- How it was made, and of what.
  way text not null,
  made_of jsonb not null,
  told text not null,
  decision text not null default 'undecided' check (decision in ('undecided', 'kept', 'aside')),
  created_at timestamptz not null default now(),
  unique (commission_id, name)
);
create trigger tell after insert or update on client_name for each row execute function tell_watchers();

alter table change drop constraint change_subject_check;
alter table change add constraint change_subject_check check (subject in ('commission', 'candidate', 'client_name'));

create table pattern (
  id uuid primary key default gen_random_uuid(),
  prompt text not null unique check (prompt ~ '__'),
  -- Finish, kind, detail, colours, leeway, ratio, what to leave out.
  settings jsonb not null,
  archived boolean not null default false,
  created_at timestamptz not null default now()
);
