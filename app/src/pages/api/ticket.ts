import type { APIRoute } from 'astro';
import { only, refuse } from '../../server/answers';
import { simulatedTicket } from '../../server/ticket/simulatedTicket';

/** What the reader reads off the ticket of a truck: simulated. */
export const GET: APIRoute = async ({ url }) => {
  const [load, volume] = [Number(url.searchParams.get('load')), Number(url.searchParams.get('volume'))];
  if (!Number.isInteger(load) || load < 1 || load > 400) {
    return refuse(422, { where: 'load', what: 'Say which load it is, a whole number from 1 to 400.' });
  }
  if (!(volume >= 0 && volume <= 30)) {
    return refuse(422, { where: 'volume', what: 'Say how much was ordered, 0 to 30 cubic metres.' });
  }
  const pour = (url.searchParams.get('pour') ?? '').slice(0, 60);
  return Response.json({ simulated: true, ticket: await simulatedTicket.read({ pour, load, volume }) });
};

export const ALL = only('GET');
