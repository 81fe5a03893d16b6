-- What of a page’s own motions was left to it when it was added, and whether the rest was seen to play the same. Null: it was added before
-- that was looked at, or moves nothing.
alter table pages add column import_proof jsonb;
