-- Names of takes are as long as all other names.
alter table takes drop constraint takes_name_check;
alter table takes add constraint takes_name_check check (length(name) between 1 and 120);
