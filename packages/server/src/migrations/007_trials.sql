-- Trials: what was asked, what was run, and what came of it. Those of the lab wait here in a queue that all servers share.
create table trials (
  id uuid primary key,
  page_id uuid not null references pages (id),
  take_id uuid not null references takes (id),
  revision integer not null,
  -- as it was then, so that it can be run again
  document jsonb not null,
  kind text not null check (kind in ('here', 'lab')),
  setup jsonb not null,
  state text not null check (state in ('queued', 'running', 'done', 'failed', 'cancelled')),
  progress real not null default 0,
  attempts integer not null default 0,
  -- whoever runs it says so every other second; one that falls silent is queued again
  machine text,
  beat_at timestamptz,
  why text,
  result jsonb,
  created_at timestamptz not null default now(),
  ended_at timestamptz
);
create index trials_by_page on trials (page_id, created_at desc);
create index trials_waiting on trials (created_at) where state in ('queued', 'running');
