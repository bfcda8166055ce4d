import { defineMiddleware } from 'astro:middleware';
import { refuse } from './server/answers';
import { failureOf, isGone, logged } from './server/errors';

/** An exception anywhere in a page or an endpoint: logged once under an id, answered in words, as JSON or as a page. */
export const onRequest = defineMiddleware(async (context, next) => {
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
