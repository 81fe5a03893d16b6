-- A page under development has no files here: it is shown from its own server on this machine, which knows it by its pairing code.
alter table pages add column live_url text;
alter table pages add column pairing_code text unique;
alter table pages add check ((live_url is null) = (pairing_code is null));
