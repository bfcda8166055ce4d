import { Tabs as Parts } from 'radix-ui';
import type { ReactNode } from 'react';

interface TabsProps<Tab extends string> {
  readonly label: string;
  readonly tabs: readonly { readonly id: Tab; readonly name: string }[];
  readonly chosen: Tab;
  readonly onChoose: (tab: Tab) => void;
  /** What stands at the right end of the row. */
  readonly tools?: ReactNode;
  /** The shown part. */
  readonly children: ReactNode;
}

/** Parts of a stage side by side, one of them shown. Arrow keys, Home and End go from one to the next. */
export function Tabs<Tab extends string>({ label, tabs, chosen, onChoose, tools, children }: TabsProps<Tab>) {
  return (
    <Parts.Root
      className="flex flex-col gap-3"
      value={chosen}
      onValueChange={(next) => {
        const tab = tabs.find(({ id }) => id === next);
        if (tab) onChoose(tab.id);
      }}
    >
      <div className="flex flex-wrap items-end justify-between gap-2 border-b border-ink">
        <Parts.List aria-label={label} className="flex flex-wrap gap-1">
          {tabs.map((tab) => (
            <Parts.Trigger
              key={tab.id}
              value={tab.id}
              className="min-h-(--target) border border-b-0 border-transparent px-3 font-medium hover:border-line data-[state=active]:border-ink data-[state=active]:bg-sheet data-[state=active]:text-chalk"
            >
              {tab.name}
            </Parts.Trigger>
          ))}
        </Parts.List>
        {tools}
      </div>
      <Parts.Content value={chosen} className="flex flex-col gap-3">
        {children}
      </Parts.Content>
    </Parts.Root>
  );
}
