import type { Role } from '../server/access/roles';

/** What the roles are called and may do, as people read it. */
export const ROLE_WORDS: Readonly<Record<Role, { readonly name: string; readonly does: string }>> = {
  office: { name: 'Office', does: 'You may change plans, write the log, and invite others.' },
  crew: { name: 'Crew', does: 'You may read everything, and write the log and the board of a pour.' },
  look: { name: 'Look', does: 'You may read everything, and change nothing.' },
};
