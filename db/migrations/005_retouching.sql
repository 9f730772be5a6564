-- Retouched pictures: the picture that a list of steps makes is kept with the step, so that it stays what it was when the code that made it changes; and colours
-- that were picked off pictures, kept with their commission.

create table work_step_picture (
  step_id uuid primary key references work_step,
  picture_id text not null references picture,
  -- Steps of the list that did not fit, and why: [{id, message}].
  faults jsonb not null default '[]'
);

create table picked_colour (
  commission_id uuid not null references commission,
  hex text not null check (hex ~ '^#[0-9A-F]{6}$'),
  created_at timestamptz not null default now(),
  primary key (commission_id, hex)
);
