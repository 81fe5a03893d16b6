-- What each revision did, in whose browser, and which earlier revision it is the same as where it undid or redid something.
alter table revisions add column label text;
alter table revisions add column author uuid;
alter table revisions add column same_as int;
