import { withdrawing } from '../../../server/access/withdrawing';
import { only } from '../../../server/answers';

/** Withdraws a link with every device that came in by it, or gives it back. */
export const PUT = withdrawing('link', 'withdrawLink');

export const ALL = only('PUT');
