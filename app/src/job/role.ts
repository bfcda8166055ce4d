import type { Role } from '../server/access/roles';

/** What whoever looks at this page may do; the server holds to it whatever a page says. */
export const roleHere = (): Role => {
  const role = document.documentElement.dataset['role'];
  return role === 'look' || role === 'crew' ? role : 'office';
};

/** Whether whoever looks at this page may write in the log: the crew and the office. */
export const mayWriteHere = (): boolean => roleHere() !== 'look';
