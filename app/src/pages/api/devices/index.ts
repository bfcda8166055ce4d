import type { APIRoute } from 'astro';
import { nobodyComesIn } from '../../../server/access/answers';
import { json, only } from '../../../server/answers';

/** Every device that is in or was, that which was seen last first. */
export const GET: APIRoute = async ({ locals }) => {
  const { access } = locals.services;
  return access === null ? nobodyComesIn() : json({ devices: await access.store.devices() });
};

export const ALL = only('GET');
