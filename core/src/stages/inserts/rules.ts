import { inches, ZERO } from '../../kernel/measure';
import type { CountRule, LengthRule } from '../../kernel/rules';

const commonPractice = { kind: 'common practice' } as const;
const ours = { kind: 'ours' } as const;

/** House rules of what goes through a wall, into it or onto it that take a length. */
const insertLengthRules = {
  'inserts.clear': {
    id: 'inserts.clear',
    type: 'length',
    statement: 'What goes through the wall keeps {value} clear of openings, corners and other inserts.',
    reason: 'Concrete must get around it, and bars past it.',
    default: inches(3),
    least: ZERO,
    most: inches(24),
    source: ours,
  },
  'inserts.joint.clear': {
    id: 'inserts.joint.clear',
    type: 'length',
    statement: 'A hole keeps {value} clear of a joint between blocks.',
    reason: 'A hole on a joint leaves two weak edges, and the sleeve leaks along them.',
    default: inches(1),
    least: ZERO,
    most: inches(6),
    source: ours,
  },
  'inserts.sleeve.size': {
    id: 'inserts.sleeve.size',
    type: 'length',
    statement: 'A sleeve is {value} across unless set.',
    reason: 'A size up from the pipe, so that it can be packed.',
    default: inches(4),
    least: inches(0.5),
    most: inches(36),
    source: ours,
  },
  'inserts.conduit.size': {
    id: 'inserts.conduit.size',
    type: 'length',
    statement: 'A conduit is {value} across unless set.',
    reason: 'The trade that uses it knows better.',
    default: inches(1.5),
    least: inches(0.5),
    most: inches(8),
    source: ours,
  },
  'inserts.drain.fall': {
    id: 'inserts.drain.fall',
    type: 'length',
    statement: 'A sleeve that must drain falls at least {value} over the wall’s thickness.',
    reason: 'Level, it stays full and freezes.',
    default: inches(0.25),
    least: ZERO,
    most: inches(6),
    source: commonPractice,
  },
  'inserts.pocket.width': {
    id: 'inserts.pocket.width',
    type: 'length',
    statement: 'A beam pocket is {value} wide unless set.',
    reason: 'The beam with half an inch of air on each side; the drawings say which.',
    default: inches(6.5),
    least: inches(1),
    most: inches(48),
    source: ours,
  },
  'inserts.pocket.height': {
    id: 'inserts.pocket.height',
    type: 'length',
    statement: 'A beam pocket is {value} high unless set.',
    reason: 'The beam, its plate and the grout under it.',
    default: inches(10),
    least: inches(1),
    most: inches(60),
    source: ours,
  },
  'inserts.pocket.depth': {
    id: 'inserts.pocket.depth',
    type: 'length',
    statement: 'A beam pocket reaches {value} into the core unless set.',
    reason: 'The bearing of the beam; the drawings say how much.',
    default: inches(4),
    least: inches(0.5),
    most: inches(24),
    source: ours,
  },
  'inserts.ledger.height': {
    id: 'inserts.ledger.height',
    type: 'length',
    statement: 'A ledger board is {value} high.',
    reason: 'As high as the joists that hang on it.',
    default: inches(9.25),
    least: inches(3),
    most: inches(24),
    source: ours,
  },
  'inserts.ledger.spacing': {
    id: 'inserts.ledger.spacing',
    type: 'length',
    statement: 'Ledger anchors are {value} apart in each row.',
    reason: 'Only a start: the load decides, and the drawings say.',
    default: inches(16),
    least: inches(4),
    most: inches(72),
    source: ours,
  },
  'inserts.ledger.end': {
    id: 'inserts.ledger.end',
    type: 'length',
    statement: 'The first and last ledger anchors are {value} from its ends.',
    reason: 'Nearer, the board splits.',
    default: inches(6),
    least: inches(1),
    most: inches(24),
    source: ours,
  },
  'inserts.hanger.spacing': {
    id: 'inserts.hanger.spacing',
    type: 'length',
    statement: 'Plates for joist hangers are {value} apart.',
    reason: 'The spacing of the joists.',
    default: inches(16),
    least: inches(4),
    most: inches(96),
    source: commonPractice,
  },
  'inserts.brick.depth': {
    id: 'inserts.brick.depth',
    type: 'length',
    statement: 'A brick ledge sticks out {value}.',
    reason: 'A brick and the air behind it.',
    default: inches(4.5),
    least: inches(1),
    most: inches(16),
    source: ours,
  },
} as const satisfies Record<string, LengthRule>;

/** House rules of what goes through a wall, into it or onto it that take a count. */
const insertCountRules = {
  'inserts.ledger.rows': {
    id: 'inserts.ledger.rows',
    type: 'count',
    statement: 'A ledger has {value} rows of anchors.',
    reason: 'Two rows, staggered, keep the board from turning.',
    default: 2,
    least: 1,
    most: 4,
    source: ours,
  },
} as const satisfies Record<string, CountRule>;

/** Every house rule that belongs to it. */
export const insertsRules = { ...insertLengthRules, ...insertCountRules };

declare module '../../kernel/rules/rule' {
  interface LengthRules extends Record<keyof typeof insertLengthRules, LengthRule> {}
  interface CountRules extends Record<keyof typeof insertCountRules, CountRule> {}
}
