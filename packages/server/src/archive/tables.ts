/** What an archive holds: every table of the data, in an order in which rows only refer to rows before them. A new table is one row here. */

export interface ArchivedTable {
  name: string;
  /** rows of one project, `$1`; null: the table belongs to no project */
  ofProject: string | null;
  /** columns whose values are unique on a machine and stand for nothing else; made anew where they are taken */
  unique?: readonly string[];
}

const PAGES = 'page_id in (select id from pages where project_id = $1)';
const TAKES = `take_id in (select t.id from takes t join pages p on p.id = t.page_id where p.project_id = $1)`;

export const TABLES: readonly ArchivedTable[] = [
  { name: 'projects', ofProject: 'id = $1' },
  { name: 'unit_costs', ofProject: 'project_id = $1' },
  { name: 'pages', ofProject: 'project_id = $1', unique: ['token', 'pairing_code'] },
  { name: 'page_files', ofProject: PAGES },
  { name: 'layouts', ofProject: PAGES },
  { name: 'takes', ofProject: PAGES },
  { name: 'revisions', ofProject: TAKES },
  { name: 'trials', ofProject: PAGES },
  { name: 'reference_sets', ofProject: PAGES },
  {
    name: 'reference_pictures',
    ofProject: `set_id in (select id from reference_sets where ${PAGES})`,
  },
  {
    name: 'presets',
    // Those that its newest revisions were made from.
    ofProject: `exists (select 1 from takes t join pages p on p.id = t.page_id
      where p.project_id = $1 and presets.id::text = any(t.presets))`,
  },
];

/** Hashes of the files that these rows refer to. */
export const assetHashes = (project: boolean): string =>
  project
    ? `select f.hash from page_files f where ${PAGES}
       union select hash from reference_pictures where set_id in (select id from reference_sets where ${PAGES})`
    : 'select hash from assets';
