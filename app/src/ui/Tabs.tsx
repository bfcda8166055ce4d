import type { ReactNode } from 'react';

interface TabsProps<Tab extends string> {
  readonly label: string;
  /** Id of the panel that they choose the content of. */
  readonly panel: string;
  readonly tabs: readonly { readonly id: Tab; readonly name: string }[];
  readonly chosen: Tab;
  readonly onChoose: (tab: Tab) => void;
  /** What stands at the right end of the row. */
  readonly children?: ReactNode;
}

/** Parts of a stage side by side, one of them shown. */
export function Tabs<Tab extends string>({ label, panel, tabs, chosen, onChoose, children }: TabsProps<Tab>) {
  return (
    <div className="flex flex-wrap items-end justify-between gap-2 border-b border-ink">
      <div role="tablist" aria-label={label} className="flex flex-wrap gap-1">
        {tabs.map((tab) => (
          <button
            key={tab.id}
            type="button"
            role="tab"
            id={`tab-${tab.id}`}
            aria-selected={tab.id === chosen}
            aria-controls={panel}
            className={`min-h-(--target) border border-b-0 px-3 font-medium ${
              tab.id === chosen ? 'border-ink bg-sheet text-chalk' : 'border-transparent hover:border-line'
            }`}
            onClick={() => {
              onChoose(tab.id);
            }}
          >
            {tab.name}
          </button>
        ))}
      </div>
      {children}
    </div>
  );
}
