-- A revision is either a whole document or what makes it of the revision before it that is there (JSON Patch, RFC 6902).
alter table revisions alter column document drop not null;
alter table revisions add column patch jsonb;
alter table revisions add column motions int;
alter table revisions add constraint document_or_patch check ((document is null) <> (patch is null));

-- What is asked of the newest revision of many takes at once. Documents of version 1 said `taken`.
alter table takes add column imported_rules jsonb not null default '[]';
alter table takes add column presets text[] not null default '{}';
update takes t set
  imported_rules = coalesce(r.document -> 'importedRules', r.document -> 'taken', '[]'),
  presets = array(
    select distinct m -> 'preset' ->> 'id' from jsonb_array_elements(r.document -> 'motions') m where m ? 'preset')
from revisions r
where r.take_id = t.id and r.number = t.revision and jsonb_typeof(r.document -> 'motions') = 'array';
