-- Presets belong to no project: motions kept to be used anywhere. Every change is a new revision, so that two tabs cannot undo each other unseen.
create table presets (
  id uuid primary key,
  name text not null check (length(name) between 1 and 120),
  revision int not null default 1,
  body jsonb not null,
  created_at timestamptz not null default now(),
  changed_at timestamptz not null default now(),
  deleted_at timestamptz
);
