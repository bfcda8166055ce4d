import type { sheetOf } from '../sheets';

/** A stored job, worked, from which files are made. */
export type ExportJob = NonNullable<Awaited<ReturnType<typeof sheetOf>>>;

/** A file that was made, or why there is none yet and what to do. */
export type Made =
  | { readonly ok: true; readonly type: string; readonly body: string | Uint8Array }
  | { readonly ok: false; readonly where: string; readonly what: string; readonly status?: number };

export const made = (type: string, body: string | Uint8Array): Made => ({ ok: true, type, body });

/** Which state of the job a file was made from, for its foot. */
export const stateText = ({ version, savedAt }: ExportJob): string =>
  `State ${String(version)}, saved ${savedAt.slice(0, 16).replace('T', ' ')} UTC`;
