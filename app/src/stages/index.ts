import { RULES } from '@ombra/core/rules';
import { STAGES } from '@ombra/core/stages';
import { bracingView } from './bracing/view';
import { coursesView } from './courses/view';
import { daysView } from './days/view';
import { footingView } from './footing/view';
import { formsView } from './forms/view';
import { openingsView } from './openings/view';
import { orderView } from './order/view';
import { outlineView } from './outline/view';
import { packetView } from './packet/view';
import { pourView } from './pour/view';
import { steelView } from './steel/view';
import { topoffView } from './topoff/view';
import { type SheetView, type StageView, FRAME_SHOWS } from '../frame/stage';

/** How the stages are seen, in the order of the work. A new one is its folder and its line here. */
const STAGE_VIEWS: readonly StageView[] = [
  outlineView,
  footingView,
  coursesView,
  openingsView,
  steelView,
  bracingView,
  pourView,
  daysView,
  packetView,
  topoffView,
  orderView,
  formsView,
];

/** Those that are a view of the job. */
export const VIEWS = STAGE_VIEWS.flatMap((stage) =>
  stage.view
    ? [
        {
          ...stage.view,
          shows: [...FRAME_SHOWS, ...stage.view.shows],
          setting: stage.view.setting === true,
          id: stage.id,
          name: stage.name,
          prints: stage.prints ?? 'courses',
        },
      ]
    : [],
);

/** The order of work: the keys 1 to 9 go to these. */
export const WORK = VIEWS.filter(({ setting }) => !setting);

type View = (typeof VIEWS)[number];

/** The view of that id, where there is one. */
export const viewOf = (id: string | undefined): View | undefined => VIEWS.find((view) => view.id === id);

/** Every sheet to print. */
export const SHEETS: readonly SheetView[] = STAGE_VIEWS.flatMap(({ sheets }) => sheets ?? []);

/** Ids of the rules that a stage has. */
const rulesOfStage = (id: string): readonly string[] =>
  Object.keys(STAGES.find((stage) => stage.id === id)?.rules ?? {});

const ofStages = STAGE_VIEWS.map(({ id, name, rules }) => ({
  name: rules?.name ?? name,
  ids: [id, ...(rules?.of ?? [])].flatMap(rulesOfStage),
}));
const listed = new Set(ofStages.flatMap(({ ids }) => ids));

/** The house rules by stage, in the order of the work; those of no stage, by which plans are tried, come last. */
export const RULE_GROUPS: readonly { readonly name: string; readonly ids: readonly string[] }[] = [
  ...ofStages,
  { name: 'Plans that are tried', ids: Object.keys(RULES).filter((id) => !listed.has(id)) },
];
