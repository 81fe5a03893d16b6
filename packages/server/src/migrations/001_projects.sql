-- Projects, their pages, and the files of pages by content. Deleting sets a date, so that it can be undone.
create table projects (
  id uuid primary key,
  name text not null check (length(name) between 1 and 120),
  demo boolean not null default false,
  created_at timestamptz not null default now(),
  deleted_at timestamptz
);

create table pages (
  id uuid primary key,
  project_id uuid not null references projects (id),
  name text not null check (length(name) between 1 and 120),
  entry text not null,
  -- names the host under which the page is shown; nobody else can guess it
  token text not null unique,
  content_hash text not null,
  created_at timestamptz not null default now(),
  deleted_at timestamptz
);
create index pages_by_project on pages (project_id, created_at);

create table assets (
  hash text primary key,
  bytes bytea not null
);

create table page_files (
  page_id uuid not null references pages (id),
  path text not null,
  hash text not null references assets (hash),
  primary key (page_id, path)
);

-- A layout belongs to a page's content at one viewport size.
create table layouts (
  page_id uuid not null references pages (id),
  width int not null,
  height int not null,
  content_hash text not null,
  layout jsonb not null,
  measured_at timestamptz not null default now(),
  primary key (page_id, width, height)
);
