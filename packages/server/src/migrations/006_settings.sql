-- A project’s own limits, constants of gestures and recorded traces, as one document; only what differs from Lyvek’s own values is in it.
alter table projects add column settings jsonb not null default '{}';
