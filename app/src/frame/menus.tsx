import { Check } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import type { ReactNode } from 'react';
import { SHEETS, VIEWS, viewOf } from '../stages';
import { ITEM, MENU } from '../ui/menu';
import { THEMES, setTheme, useTheme } from '../ui/theme';
import type { MenuProps } from './Tools';

export { Tip } from '../ui/Tip';

function Menu({
  button,
  open,
  children,
}: {
  readonly button: ReactNode;
  readonly open: boolean;
  readonly children: ReactNode;
}) {
  return (
    <DropdownMenu.Root modal={false} defaultOpen={open}>
      <DropdownMenu.Trigger asChild>{button}</DropdownMenu.Trigger>
      <DropdownMenu.Content align="end" className={MENU}>
        {children}
      </DropdownMenu.Content>
    </DropdownMenu.Root>
  );
}

/** Every sheet to print, that of the shown stage first. */
export function SheetsMenu({ jobId, stage, button, open }: MenuProps) {
  const own = viewOf(stage)?.prints;
  const sheets = [...SHEETS].sort((a, b) => Number(b.path === own) - Number(a.path === own));
  return (
    <Menu button={button} open={open}>
      {sheets.map(({ path, name }) => (
        <DropdownMenu.Item key={path} asChild className={ITEM}>
          <a href={`/jobs/${jobId}/sheets/${path}`}>
            {name}
            {path === own && <kbd className="figures text-quiet">P</kbd>}
          </a>
        </DropdownMenu.Item>
      ))}
    </Menu>
  );
}

/** What belongs to the job as a whole and to this screen: forms, house rules, the plan file, colors, keys. */
export function JobMenu({ jobId, button, open, onStage, onRules, onKeys }: MenuProps) {
  const theme = useTheme();
  return (
    <Menu button={button} open={open}>
      <DropdownMenu.Item className={ITEM} onSelect={onRules}>
        House rules <kbd className="figures text-quiet">R</kbd>
      </DropdownMenu.Item>
      {VIEWS.filter(({ setting }) => setting).map(({ id, name }) => (
        <DropdownMenu.Item
          key={id}
          className={ITEM}
          onSelect={() => {
            onStage(id);
          }}
        >
          {name}
        </DropdownMenu.Item>
      ))}
      <DropdownMenu.Item asChild className={ITEM}>
        <a href={`/jobs/${jobId}/today`}>Today, large, for a phone</a>
      </DropdownMenu.Item>
      <DropdownMenu.Item asChild className={ITEM}>
        <a href={`/api/jobs/${jobId}/plan.json`} download>
          Download the plan file
        </a>
      </DropdownMenu.Item>
      <DropdownMenu.Item asChild className={ITEM}>
        <a href={`/api/jobs/${jobId}/export/job.zip`} download>
          Download the whole job, log and pictures
        </a>
      </DropdownMenu.Item>
      <DropdownMenu.Separator className="my-1 border-t border-line" />
      <DropdownMenu.Label className="heading px-2">Colors</DropdownMenu.Label>
      <DropdownMenu.RadioGroup value={theme} onValueChange={setTheme}>
        {THEMES.map(({ id, name }) => (
          <DropdownMenu.RadioItem key={id} value={id} className={ITEM}>
            {name}
            <DropdownMenu.ItemIndicator>
              <Check aria-hidden="true" size={15} />
            </DropdownMenu.ItemIndicator>
          </DropdownMenu.RadioItem>
        ))}
      </DropdownMenu.RadioGroup>
      <DropdownMenu.Separator className="my-1 border-t border-line" />
      <DropdownMenu.Item className={ITEM} onSelect={onKeys}>
        Keys <kbd className="figures text-quiet">?</kbd>
      </DropdownMenu.Item>
    </Menu>
  );
}
