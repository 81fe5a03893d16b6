-- What work costs on a class of device, fitted from a project's lab trials, with how far off it may be.
create table prices (
  project_id uuid not null references projects (id),
  device text not null,
  coefficients jsonb not null,
  trials int not null,
  fitted_at timestamptz not null default now(),
  primary key (project_id, device)
);
