-- How near the frames of a finished trial came to their budget along the page, for the shelf.
alter table trials add bands jsonb;
