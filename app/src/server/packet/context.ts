import type { Layer } from '@ombra/core/drawings';
import { drawingOf } from '@ombra/core/drawings';
import { type Length, KILOGRAMS_PER_POUND, showLength, toCubicYards } from '@ombra/core/kernel/measure';
import { type HouseRules } from '@ombra/core/kernel/rules';
import { rulesOf } from '@ombra/core/rules';
import { wallsOf } from '@ombra/core/stages/outline';
import type { Content } from 'pdfmake/interfaces';
import type { PacketChoice } from '../../stages/packet/choice';
import { drawingSvg } from '../exports/drawingSvg';
import type { ExportJob } from '../exports/job';
import type { Words } from './words';

/** A page in points: its size, and the room on it. */
export interface PageSize {
  readonly width: number;
  readonly height: number;
}

interface DrawingOptions {
  readonly width: number;
  readonly height: number;
  readonly layers?: ReadonlySet<Layer>;
}

/** What a section of the packet is made with. */
export interface PacketContext {
  readonly job: ExportJob;
  readonly worked: ExportJob['worked'];
  readonly plan: ExportJob['plan'];
  readonly rules: HouseRules;
  readonly words: Words;
  readonly t: Words['t'];
  readonly say: Words['say'];
  /** What a page says that has nothing to show: that walls are missing, or cannot be laid, or that there is nothing of its kind. */
  readonly missing: string;
  readonly black: boolean;
  /** Room for what a section has. */
  readonly upright: PageSize;
  readonly length: (length: number) => string;
  /** In inches alone, as cuts are written; bare without its sign. */
  readonly inches: (length: number, bare?: boolean) => string;
  readonly volume: (cubicMetres: number) => string;
  readonly mass: (kilograms: number) => string;
  /** A drawing by its name, as large as fits; nothing where there is none. */
  readonly drawing: (name: string, options: DrawingOptions) => readonly Content[];
}

interface ContextInput {
  readonly job: ExportJob;
  readonly choice: PacketChoice;
  readonly words: Words;
  readonly upright: PageSize;
}

export function contextOf({ job, choice, words, upright }: ContextInput): PacketContext {
  const { worked, plan } = job;
  const { units } = plan;
  const imperial = units === 'imperial';
  return {
    job,
    worked,
    plan,
    rules: rulesOf(plan),
    words,
    t: words.t,
    say: words.say,
    missing: words.t(
      wallsOf(worked.shell).length === 0
        ? 'noOutline'
        : worked.courses.pieces.length === 0
          ? 'notLaid'
          : 'noneOfThese',
    ),
    black: choice.black,
    upright,
    length: (length) => showLength(length as Length, units),
    inches: (length, bare = false) => showLength(length as Length, units, { style: 'inches', bare }),
    volume: (cubicMetres) =>
      `${words.number(imperial ? toCubicYards(cubicMetres) : cubicMetres, 2)} ${imperial ? 'yd³' : 'm³'}`,
    mass: (kilograms) =>
      `${words.number(imperial ? kilograms / KILOGRAMS_PER_POUND : kilograms, 0)} ${imperial ? 'lb' : 'kg'}`,
    drawing: (name, options) => {
      const drawing = drawingOf(worked, name);
      if (!drawing) return [];
      return [
        {
          svg: drawingSvg(drawing, { ...options, grey: choice.black }),
          alignment: 'center',
          margin: [0, 2, 0, 6],
        },
      ];
    },
  };
}
