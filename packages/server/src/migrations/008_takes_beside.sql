-- What a take was made from, so that it can be compared with it.
alter table takes add made_from uuid references takes (id), add made_from_revision int;

-- A reference to compare with: pictures of the page, each at its scroll offset.
create table reference_sets (
  id uuid primary key,
  page_id uuid not null references pages (id),
  name text not null check (length(name) between 1 and 120),
  created_at timestamptz not null default now(),
  deleted_at timestamptz
);
create index reference_sets_by_page on reference_sets (page_id, created_at);

create table reference_pictures (
  id uuid primary key,
  set_id uuid not null references reference_sets (id),
  at real not null check (at >= 0),
  hash text not null references assets (hash)
);
create index reference_pictures_by_set on reference_pictures (set_id, at);
