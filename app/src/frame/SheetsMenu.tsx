import { Printer } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { SHEETS, viewOf } from '../stages';
import { ITEM, MENU } from '../ui/menu';

/** Every sheet to print, that of the shown stage first. */
export function SheetsMenu({ jobId, stage }: { readonly jobId: string; readonly stage: string }) {
  const own = viewOf(stage)?.prints;
  const sheets = [...SHEETS].sort((a, b) => Number(b.path === own) - Number(a.path === own));
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className="button plain px-1.5" aria-label="Sheets to print">
        <Printer aria-hidden="true" size={17} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Content align="end" className={MENU}>
        {sheets.map(({ path, name }) => (
          <DropdownMenu.Item key={path} asChild className={ITEM}>
            <a href={`/jobs/${jobId}/sheets/${path}`}>
              {name}
              {path === own && <kbd className="figures text-quiet">P</kbd>}
            </a>
          </DropdownMenu.Item>
        ))}
      </DropdownMenu.Content>
    </DropdownMenu.Root>
  );
}
