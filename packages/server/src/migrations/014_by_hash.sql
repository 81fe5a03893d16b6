-- What refers to an asset is looked for when it is pruned.
create index page_files_by_hash on page_files (hash);
create index reference_pictures_by_hash on reference_pictures (hash);
create index takes_by_origin on takes (made_from, made_from_revision) where made_from is not null;
