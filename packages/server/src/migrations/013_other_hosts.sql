-- Whether a page may load files from other hosts while it is previewed.
alter table pages add outside boolean not null default false;
