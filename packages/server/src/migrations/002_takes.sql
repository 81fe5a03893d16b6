-- A take is one version of all motions of a page; its revisions are only ever appended.
create table takes (
  id uuid primary key,
  page_id uuid not null references pages (id),
  name text not null check (length(name) between 1 and 60),
  revision int not null default 0,
  created_at timestamptz not null default now(),
  deleted_at timestamptz
);
create index takes_by_page on takes (page_id, created_at);

create table revisions (
  take_id uuid not null references takes (id),
  number int not null,
  -- names one edit: a retry after a lost answer finds it here instead of failing
  edit_id uuid not null,
  document jsonb not null,
  created_at timestamptz not null default now(),
  primary key (take_id, number),
  unique (take_id, edit_id)
);
