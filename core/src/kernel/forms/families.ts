import { inches } from '../measure';
import type { Family } from './family';

/** The families that ship with Ombra. Names and figures are invented; copy one to match what is on the truck. */
export const FAMILIES: readonly Family[] = [
  {
    kind: 'flat-wall',
    id: 'module-48',
    name: 'Module 48',
    cores: [inches(4), inches(6), inches(8), inches(10)],
    courseHeight: inches(16),
    straightLength: inches(48),
    panel: inches(2.5),
    corner90: { long: inches(27), short: inches(11) },
    corner45Inside: { long: inches(23), short: inches(15) },
    webSpacing: inches(8),
    firstWeb: inches(4),
    interlock: inches(1),
    cutMark: inches(1),
    reversible: true,
    halfHeight: inches(8),
    bundle: 20,
    massKilograms: 2.6,
  },
  {
    kind: 'flat-wall',
    id: 'long-96',
    name: 'Long 96',
    cores: [inches(6), inches(8)],
    courseHeight: inches(18),
    straightLength: inches(96),
    panel: inches(2.5),
    corner90: { long: inches(31), short: inches(15) },
    webSpacing: inches(8),
    firstWeb: inches(4),
    interlock: inches(2),
    cutMark: inches(1),
    reversible: false,
    bundle: 12,
    massKilograms: 6.8,
  },
  {
    kind: 'panel-and-tie',
    id: 'panel-48',
    name: 'Panel 48',
    cores: [4, 5, 6, 7, 8, 9, 10, 11, 12].map(inches),
    courseHeight: inches(12),
    panelLength: inches(48),
    panel: inches(2.25),
    tieSpacing: inches(12),
    topTieSpacing: inches(8),
    track: { bottom: true, top: true },
    bundle: 24,
    massKilograms: 1.1,
  },
  {
    kind: 'cell',
    id: 'cell-24',
    name: 'Cell 24',
    cores: [inches(6)],
    courseHeight: inches(12),
    blockLength: inches(24),
    blockThickness: inches(12),
    cellSpacing: inches(12),
    volumePerBlock: 0.0212,
    barEveryCourses: 2,
    bundle: 30,
    massKilograms: 14,
  },
  {
    kind: 'cell',
    id: 'element-112',
    name: 'Element 112',
    cores: [inches(6)],
    courseHeight: inches(14),
    blockLength: inches(112),
    blockThickness: inches(11),
    cellSpacing: inches(14),
    // Round cells of 6 in, eight up and one along, what they share counted once.
    volumePerBlock: 0.0849,
    barEveryCourses: 2,
    bundle: 10,
    massKilograms: 25,
  },
];

/**
 * The shipped family of that id, if there is one.
 *
 * @example findFamily('module-48')?.kind // 'flat-wall'
 */
export const findFamily = (id: string): Family | undefined => FAMILIES.find((family) => family.id === id);
