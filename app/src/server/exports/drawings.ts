import { type Drawing, drawingNames, drawingOf } from '@ombra/core/drawings';
import { type ExportJob, type Made, made } from './job';

const NOTHING: Made = {
  ok: false,
  where: 'outline',
  what: 'There is nothing to draw yet: finish the outline, then get this file again.',
};

/** Width of a drawing in SVG units; the strip needs more, since it shows every wall in one row. */
const VIEW = 1600;
const STRIP_VIEW = 6000;

/** A drawing as SVG, `strip.svg`; null where there is none of that name. */
export async function svgOf(
  { worked }: ExportJob,
  name: string,
  asked: URLSearchParams,
): Promise<Made | null> {
  if (!worked.shell.loops.some(({ built }) => built)) {
    return /^(plan|strip)$/.test(name) ? NOTHING : null;
  }
  const drawing = drawingOf(worked, name);
  if (!drawing) return null;
  const { drawingSvg } = await import('./drawingSvg');
  const grey = asked.get('ink') === 'black';
  const width = name === 'strip' ? STRIP_VIEW : VIEW;
  return made('image/svg+xml; charset=utf-8', drawingSvg(drawing, { width, grey }));
}

/** All drawings, `plan.dxf`, or one of them; null where there is none of that name. */
export async function dxfOf({ worked, plan }: ExportJob, name: string): Promise<Made | null> {
  if (!worked.shell.loops.some(({ built }) => built)) return name === 'plan' ? NOTHING : null;
  const names = name === 'plan' ? drawingNames(worked).filter((each) => each !== 'strip') : [name];
  const drawings = names.flatMap((each): Drawing[] => {
    const drawing = drawingOf(worked, each);
    return drawing ? [drawing] : [];
  });
  if (drawings.length === 0) return null;
  const { writeDxf } = await import('./drawingDxf');
  return made('image/vnd.dxf', writeDxf(drawings, plan.units));
}
