import type { APIRoute } from 'astro';
import { type Problem, json, only, readBytes, readSentPlan, refuse, signed } from '../../../server/answers';
import { LARGEST_PICTURE, pictureType } from '../../../server/fileStore';
import { LARGEST_JOB } from '../../../server/guard';
import { unpackJob } from '../../../server/jobZip';

/** Most problems reported for one file. */
const MOST_TOLD = 20;

/** Files among the pictures that are none. */
async function notPictures(pictures: ReadonlyMap<string, Uint8Array>): Promise<readonly Problem[]> {
  const problems: Problem[] = [];
  for (const [hash, picture] of pictures) {
    if (picture.byteLength > LARGEST_PICTURE || (await pictureType(picture)) === null) {
      problems.push({
        where: `pictures/${hash}`,
        what: 'This is no picture that is kept: JPEG, PNG or WebP up to 12 MB.',
      });
    }
  }
  return problems;
}

/**
 * A new job from a packed one, with its log and pictures. Everything in it is checked before a job is created: it comes in whole or
 * not at all.
 */
export const POST: APIRoute = async ({ locals, request }) => {
  const bytes = await readBytes(request, LARGEST_JOB);
  if (bytes === null) {
    return refuse(413, {
      where: 'the file',
      what: `A packed job has at most ${String(LARGEST_JOB / 1_000_000)} MB; leave pictures out and pack it again.`,
    });
  }
  const unpacked = unpackJob(bytes);
  if (!unpacked.ok) return refuse(422, ...unpacked.problems);
  const { plan, entries, pictures } = unpacked.job;
  const sent = readSentPlan(plan);
  if (!sent.ok) return sent.answer;
  const wrong = await notPictures(pictures);
  if (wrong.length > 0) return refuse(422, ...wrong.slice(0, MOST_TOLD));
  const { jobs, entries: log, files } = locals.services;
  const made = await jobs.create(sent.plan, undefined, signed(locals).by);
  if (made.kind !== 'made') return refuse(409, { where: 'id', what: 'This id was just taken; try again.' });
  const { id, name } = made.job;
  const added = entries.length > 0 ? await log.add(id, entries, signed(locals).by) : null;
  if (added && added.kind !== 'kept') {
    // Nothing half of it stays on the list.
    await jobs.remove(id);
    return refuse(409, { where: 'log.jsonl', what: 'The log could not be taken in; try again.' });
  }
  for (const picture of pictures.values()) await files.put(id, picture);
  return json({ job: { id, name }, entries: entries.length, pictures: pictures.size }, 201);
};

export const ALL = only('POST');
