import { defineMiddleware } from 'astro:middleware';
import { refuse } from './server/answers';
import { refusalOf } from './server/access/gate';
import { needOf } from './server/access/permissions';
import { failureOf, isGone, logged } from './server/errors';

/** Whether whoever asks may; then an exception anywhere in a page or an endpoint: logged once under an id, answered in words, as JSON or as a page. */
export const onRequest = defineMiddleware(async (context, next) => {
  const { locals, request, routePattern } = context;
  // The gate has looked at the address; this looks at the route that was found for it, which cannot be written in two ways. Threads
  // that work sheets are asked only by the server itself.
  if (locals.person !== undefined && !locals.failure) {
    const refusal = refusalOf(locals.person, needOf(request.method, routePattern));
    if (refusal) return refuse(refusal.status, { where: refusal.where, what: refusal.what });
  }
  try {
    return await next();
  } catch (error) {
    if (isGone(error)) return new Response(null, { status: 499 });
    const failure = failureOf(error);
    context.locals.services.log.error(
      { id: failure.id, path: context.url.pathname, ...logged(error) },
      'failed',
    );
    if (context.url.pathname.startsWith('/api/')) return refuse(failure.status, failure.problem);
    context.locals.failure = failure;
    return next('/trouble');
  }
});
