import type { FileFields, FilePart } from './part';
import { PLAN_VERSION } from './plan';

/**
 * A plan file of an older version as this version writes it: every part rewrites its own fields, version after version.
 * One of this version, of a newer one, or of none comes back as it is.
 *
 * @param file what was read; it is not changed
 * @example upgraded({ version: 1, stages: [{ toCourse: 4 }] }, files).pours // [{ toCourse: 4 }]
 */
export function upgraded(file: FileFields, files: readonly FilePart[]): FileFields {
  const version = file['version'];
  if (typeof version !== 'number' || !(version >= 1 && version < PLAN_VERSION)) return file;
  const next = files.reduce<FileFields>((each, part) => part.upgrades?.[version]?.(each) ?? each, file);
  return upgraded({ ...next, version: version + 1 }, files);
}
