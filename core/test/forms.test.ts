import { describe, expect, it } from 'vitest';
import {
  type CellFamily,
  FAMILIES,
  type Family,
  type PanelAndTieFamily,
  findFamily,
  wallThickness,
} from '../src/forms';
import { inches, toInches } from '../src/measure';

describe('the form families that ship', () => {
  // Source: our own generic families; their figures are invented.
  it('are two flat-wall blocks with corners that leave room for the wall', () => {
    expect(FAMILIES.map((family) => family.id)).toEqual(['module-48', 'long-96']);
    for (const family of FAMILIES) {
      if (family.kind !== 'flat-wall') throw new Error('a flat-wall family was meant');
      expect(family.corner90.long).toBeGreaterThan(family.corner90.short);
      expect(family.straightLength % family.webSpacing).toBe(0);
      expect(2 * family.firstWeb).toBe(family.webSpacing);
      // Both courses' legs together keep to the interlock pitch, so the stagger nests.
      expect((family.corner90.long - family.corner90.short) % family.interlock).toBe(0);
      for (const core of family.cores) expect(toInches(wallThickness(family, core))).toBe(toInches(core) + 5);
    }
  });

  it('are found by their id', () => {
    expect(findFamily('long-96')?.name).toBe('Long 96');
    expect(findFamily('nobody')).toBeUndefined();
  });

  it('leave room in the type for the other kinds of form', () => {
    const panels: PanelAndTieFamily = {
      kind: 'panel-and-tie',
      id: 'panel-48',
      name: 'Panel 48',
      cores: [inches(4), inches(8)],
      courseHeight: inches(12),
      panelLength: inches(48),
      panel: inches(2.25),
      tieSpacing: inches(12),
      topTieSpacing: inches(6),
      track: { bottom: true, top: true },
    };
    const cells: CellFamily = {
      kind: 'cell',
      id: 'cell-24',
      name: 'Cell 24',
      cores: [inches(6)],
      courseHeight: inches(12),
      blockLength: inches(24),
      blockThickness: inches(12),
      cellSpacing: inches(12),
      volumePerBlock: 0.02,
      barEveryCourses: 2,
    };
    const kinds = ([...FAMILIES, panels, cells] as readonly Family[]).map((family) => family.kind);
    expect(new Set(kinds)).toEqual(new Set(['flat-wall', 'panel-and-tie', 'cell']));
  });
});
