-- What a finished trial amounts to, so that a page's history needs no frames.
alter table trials add summary jsonb;
