import { withdrawing } from '../../../server/access/withdrawing';
import { only } from '../../../server/answers';

/** Lets go of a device, or takes it in again. */
export const PUT = withdrawing('device', 'withdrawDevice');

export const ALL = only('PUT');
