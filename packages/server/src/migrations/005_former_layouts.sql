-- The page as it was measured before its files were replaced: what motions have lost is found by it. Null once that is settled.
alter table pages add column former_layout jsonb;
