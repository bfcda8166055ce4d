import type { APIRoute } from 'astro';
import { only, refuse } from '../../server/answers';

/** The authority that signs this machine's certificate, to be trusted; never its key. */
export const GET: APIRoute = ({ locals }) => {
  const { authority } = locals.services;
  if (authority === null)
    return refuse(404, {
      where: 'address',
      what: 'This Ombra has no authority of its own; there is nothing to trust.',
    });
  return new Response(authority, {
    headers: {
      'Content-Type': 'application/x-x509-ca-cert',
      'Content-Disposition': 'attachment; filename="ombra-authority.crt"',
    },
  });
};

export const ALL = only('GET');
