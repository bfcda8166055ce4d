import { v4 } from 'uuid';

/** An id that nothing else has. The browser’s own maker of them is not there without TLS, which an office may do without. */
export const newId = (): string => v4();
