import type { APIRoute } from 'astro';
import { refuse } from '../../server/answers';

/** Every address under /api that nothing else answers. */
export const ALL: APIRoute = () =>
  refuse(404, { where: 'address', what: 'There is nothing at this address.' });
