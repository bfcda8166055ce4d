import type { APIRoute } from 'astro';
import { json, noSuchJob, only, readBytes, refuse } from '../../../../../server/answers';
import { LARGEST_PICTURE } from '../../../../../server/fileStore';

/** Keeps a picture of a job: the request’s body is the picture itself. Answers the hash by which an entry names it. */
export const POST: APIRoute = async ({ locals, params, request }) => {
  const { id = '' } = params;
  const bytes = await readBytes(request);
  const outcome = bytes ? await locals.services.files.put(id, bytes) : ({ kind: 'too-large' } as const);
  switch (outcome.kind) {
    case 'missing':
      return noSuchJob(id);
    case 'too-large':
      return refuse(413, {
        where: 'the picture',
        what: `A picture has at most ${String(LARGEST_PICTURE / 1_000_000)} MB; make it smaller and send it again.`,
      });
    case 'no-picture':
      return refuse(415, {
        where: 'the picture',
        what: 'This is no picture that can be shown; send a JPEG, PNG or WebP file.',
      });
    case 'kept':
      return json({ hash: outcome.hash, type: outcome.type }, 201);
  }
};

export const ALL = only('POST');
