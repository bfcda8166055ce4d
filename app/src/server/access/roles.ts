/** What somebody may do: the office edits plans, the crew writes the log and the board, and who looks only reads. */
export const ROLES = ['look', 'crew', 'office'] as const;
export type Role = (typeof ROLES)[number];

/** Whether a role may do what another one may. */
export const reaches = (role: Role, needed: Role): boolean => ROLES.indexOf(role) >= ROLES.indexOf(needed);

/** Who asks. */
export interface Person {
  readonly role: Role;
  /** How they signed in; empty on the machine itself, where nobody has to. */
  readonly name: string;
  /** The device that they signed in on; null on the machine itself. */
  readonly device: string | null;
}

/** Whoever sits at the machine, where Ombra is open to nobody else. */
export const OWNER: Person = { role: 'office', name: '', device: null };
