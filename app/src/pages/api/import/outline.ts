import { FILE_UNITS, POINT_ORDERS, type FileUnit, type PointOrder } from '@ombra/core/outlines';
import type { APIRoute } from 'astro';
import { json, only, readBytes, refuse } from '../../../server/answers';
import { LARGEST_BODY } from '../../../server/guard';

/**
 * What is understood of a file with an outline: DXF, IFC, surveyed points, or lengths and turns. Nothing is stored. `units` are the
 * job's (`imperial`, `metric`), `unit` the file's where it names none, `order` that of surveyed points.
 */
export const POST: APIRoute = async ({ locals, request, url }) => {
  const asked = url.searchParams;
  const units = asked.get('units') ?? 'imperial';
  if (units !== 'imperial' && units !== 'metric') {
    return refuse(422, { where: 'units', what: 'The job’s units are imperial or metric.' });
  }
  const unit = asked.get('unit') ?? (units === 'imperial' ? 'ft' : 'm');
  if (!Object.hasOwn(FILE_UNITS, unit)) {
    return refuse(422, {
      where: 'unit',
      what: `The file’s unit is one of ${Object.keys(FILE_UNITS).join(', ')}.`,
    });
  }
  const order = asked.get('order') ?? 'file';
  if (!POINT_ORDERS.some((each) => each === order)) {
    return refuse(422, { where: 'order', what: `The order of points is one of ${POINT_ORDERS.join(', ')}.` });
  }
  const bytes = await readBytes(request);
  if (bytes === null) {
    return refuse(413, {
      where: 'the file',
      what: `A file has at most ${String(LARGEST_BODY / 1_000_000)} MB. Keep only the outline in it, then try again.`,
    });
  }
  const outcome = await locals.services.outlines.read(bytes, {
    units,
    unit: unit as FileUnit,
    order: order as PointOrder,
  });
  return outcome.ok ? json(outcome.answer) : refuse(422, ...outcome.problems);
};

export const ALL = only('POST');
