import { rulesOf } from '@ombra/core/rules';
import type { Figure } from '@ombra/core/kernel/figures';
import { type Wall, wallsOf } from '@ombra/core/stages/outline';
import type { WorkedPlan } from '@ombra/core/worked';
import { type ReactNode, useMemo } from 'react';
import { panelOf } from '../job/place';
import { Tabs } from '../ui/Tabs';
import { WhyCard } from './figures/WhyCard';
import { OpenNotices } from './notices/OpenNotices';
import type { StageProps } from './stage';
import { type AsideOf, type StripOf, WallView } from './WallView';
import { NothingStands } from './walls/NothingStands';

/** What the panels of a stage are given. */
interface Shown<Panel extends string> {
  readonly panel: Panel;
  readonly wall: Wall;
  readonly walls: readonly Wall[];
  /** The figure whose why is open, and what opens another. */
  readonly open: string | null;
  readonly onOpen: (figure: Figure) => void;
}

/**
 * The frame of a stage that works wall by wall: walls and notices on the left, the strip with the stage's own layer, its figures
 * in a line, its parts behind tabs, and the why of the figure that is open. Where no wall stands it says so instead.
 */
export function StageFrame<Panel extends string>({
  job,
  place,
  onPlace,
  onStage,
  stage,
  worked,
  empty,
  stands = worked.courses.count > 0,
  aside,
  strip = {},
  before,
  summary,
  tabs,
  figures,
  children,
}: StageProps & {
  readonly stage: string;
  readonly worked: WorkedPlan;
  /** What is said where no wall stands. */
  readonly empty: string;
  readonly stands?: boolean;
  readonly aside: AsideOf;
  /** What the stage draws on the strip; lit are the pieces of the open figure where nothing else is said. */
  readonly strip?: StripOf | ((figure: Figure | undefined) => StripOf);
  readonly before?: ReactNode;
  /** The stage's figures in a line. */
  readonly summary?: ReactNode | ((shown: Pick<Shown<Panel>, 'open' | 'onOpen'>) => ReactNode);
  readonly tabs: {
    readonly label: string;
    readonly panels: readonly [Panel, ...Panel[]];
    readonly names: Readonly<Record<Panel, string>>;
    /** What stands behind a name, in brackets. */
    readonly counts?: Readonly<Partial<Record<Panel, string>>>;
    /** What stands at the right end of the tabs. */
    readonly tools?: ReactNode;
  };
  /** Every figure that can be opened here. */
  readonly figures: readonly Figure[];
  readonly children: (shown: Shown<Panel>) => ReactNode;
}) {
  const { plan } = job;
  const rules = useMemo(() => rulesOf(plan), [plan]);
  const walls = wallsOf(worked.shell);
  const wall = walls.find((each) => each.id === place.wall) ?? walls[0];
  if (!wall || !stands) return <NothingStands title={empty} />;
  const panel = panelOf(place, stage, tabs.panels);
  const figure = figures.find((each) => each.id === place.figure);
  const shown: Shown<Panel> = {
    panel,
    wall,
    walls,
    open: figure?.id ?? null,
    onOpen: (next) => {
      onPlace({ figure: next.id === place.figure ? null : next.id });
    },
  };
  const nameOf = (id: Panel): string => {
    const count = tabs.counts?.[id];
    return count === undefined ? tabs.names[id] : `${tabs.names[id]} (${count})`;
  };
  return (
    <WallView
      job={job}
      place={place}
      onPlace={onPlace}
      onStage={onStage}
      stage={stage}
      worked={worked}
      walls={walls}
      wall={wall}
      aside={aside}
      strip={typeof strip === 'function' ? strip(figure) : strip}
      before={before}
    >
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        {typeof summary === 'function' ? summary(shown) : summary}
        <OpenNotices job={job} stage={stage} />
      </div>
      <Tabs
        label={tabs.label}
        tabs={tabs.panels.map((each) => ({ id: each, name: nameOf(each) }))}
        chosen={panel}
        onChoose={(next) => {
          onPlace({ panels: { [stage]: next }, figure: null });
        }}
        tools={tabs.tools}
      >
        {children(shown)}
        {figure && (
          <div className="max-w-3xl">
            <WhyCard
              key={figure.id}
              figure={figure}
              units={plan.units}
              rules={rules}
              onClose={() => {
                onPlace({ figure: null });
              }}
            />
          </div>
        )}
      </Tabs>
    </WallView>
  );
}

/** A line of a stage's figures, with a word of caution behind them where there is one. */
export function Summary({ children, said }: { readonly children: ReactNode; readonly said?: ReactNode }) {
  return (
    <p className="figures text-[17px]">
      {children}
      {said !== undefined && <span className="text-sm text-quiet"> {said}</span>}
    </p>
  );
}

/** While there is nothing to show yet. */
export function Working() {
  return <p className="p-6 text-quiet">Working out the plan …</p>;
}
