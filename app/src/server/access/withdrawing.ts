import type { APIRoute } from 'astro';
import { json, readBody, refuse } from '../answers';
import type { AccessStore } from './accessStore';
import { nobodyComesIn } from './answers';

/** Withdraws a link or a device, or gives it back. */
export const withdrawing =
  (what: 'link' | 'device', set: keyof Pick<AccessStore, 'withdrawLink' | 'withdrawDevice'>): APIRoute =>
  async ({ locals, params, request }) => {
    const { access } = locals.services;
    if (access === null) return nobodyComesIn();
    const reading = await readBody(request);
    if (!reading.ok) return reading.answer;
    const { withdrawn } = reading.body;
    if (typeof withdrawn !== 'boolean')
      return refuse(422, { where: 'withdrawn', what: 'Say true to withdraw it, false to give it back.' });
    const { id = '' } = params;
    return (await access.store[set](id, withdrawn))
      ? json({ withdrawn })
      : refuse(404, { where: what, what: `There is no such ${what}.` });
  };
