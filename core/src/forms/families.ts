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
  },
];

/** The shipped family of that id, if there is one. */
export const findFamily = (id: string): Family | undefined => FAMILIES.find((family) => family.id === id);
