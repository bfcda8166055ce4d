/** What is carried over: each table with the columns that name a row, those that others point to first. */
export const TABLES = [
  { name: 'counters', key: ['name'] },
  { name: 'jobs', key: ['id'] },
  { name: 'states', key: ['job_id', 'version'] },
  { name: 'entries', key: ['number'] },
  { name: 'files', key: ['job_id', 'hash'] },
  { name: 'links', key: ['id'] },
  { name: 'devices', key: ['id'] },
  { name: 'secrets', key: ['name'] },
] as const;

export type TableName = (typeof TABLES)[number]['name'];
