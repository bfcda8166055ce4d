import { stateRule } from '@ombra/core/kernel/rules';
import { RULES, isRuleId, rulesOf } from '@ombra/core/rules';
import { wallsOf } from '@ombra/core/stages/outline';
import { SHEETS, VIEWS } from '../../stages';
import type { FindProps } from './Find';

/** Something that can be gone to. */
export interface Found {
  readonly id: string;
  /** What it is called, and searched by. */
  readonly name: string;
  /** Other words that it goes by. */
  readonly words?: string;
  readonly go: () => void;
}

/** Everything of a job that can be gone to, in groups. */
export function everything({
  job,
  onStage,
  onPlace,
  onRule,
  onSheet,
}: Omit<FindProps, 'onClose'>): readonly { readonly name: string; readonly found: readonly Found[] }[] {
  const stages = VIEWS.flatMap(({ id, name, panels = [] }): Found[] => [
    {
      id: `stage ${id}`,
      name,
      go: () => {
        onStage(id);
      },
    },
    ...panels.map((panel): Found => ({
      id: `panel ${id} ${panel.id}`,
      name: `${name}: ${panel.name}`,
      go: () => {
        onPlace({ panels: { [id]: panel.id }, figure: null });
        onStage(id);
      },
    })),
  ]);
  const walls = (job.worked ? wallsOf(job.worked.shell) : []).map(({ id, name }): Found => ({
    id: `wall ${id}`,
    name: `Wall ${name}`,
    go: () => {
      onPlace({ wall: id, piece: null });
    },
  }));
  const openings = (job.worked?.openings.placed ?? []).map(({ id, name, wall }): Found => ({
    id: `opening ${id}`,
    name,
    go: () => {
      onPlace({ opening: id, wall, panels: { openings: 'openings' } });
      onStage('openings');
    },
  }));
  const inserts = (job.worked?.inserts.placed ?? []).map(({ id, name, wall }): Found => ({
    id: `insert ${id}`,
    name,
    go: () => {
      onPlace({ insert: id, wall, panels: { openings: 'inserts' } });
      onStage('openings');
    },
  }));
  const sheets = SHEETS.map(({ path, name }): Found => ({
    id: `sheet ${path}`,
    name: `${name} sheet`,
    words: 'print paper',
    go: () => {
      onSheet(`/jobs/${job.id}/sheets/${path}`);
    },
  }));
  const houseRules = rulesOf(job.plan);
  const allRules: Found = {
    id: 'rules',
    name: 'House rules of this job',
    words: 'settings, all of them',
    go: () => {
      onRule('');
    },
  };
  const rules = Object.keys(RULES)
    .filter(isRuleId)
    .map((id): Found => ({
      id: `rule ${id}`,
      name: stateRule(id, houseRules, job.plan.units),
      words: houseRules.book[id].reason,
      go: () => {
        onRule(id);
      },
    }));
  return [
    { name: 'Stages', found: stages },
    { name: 'Sheets to print', found: sheets },
    { name: 'Walls', found: walls },
    { name: 'Openings and inserts', found: [...openings, ...inserts] },
    { name: 'House rules', found: [allRules, ...rules] },
  ].filter(({ found }) => found.length > 0);
}
