-- What a page moves by its own CSS, as one importer has read it: by the page’s content and entry file, and by what was left to the page.
create table page_imports (
  content_hash text not null,
  entry text not null,
  left_key text not null,
  importer text not null,
  result jsonb,
  made_at timestamptz not null default now(),
  primary key (content_hash, entry, left_key, importer)
);
