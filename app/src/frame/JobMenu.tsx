import { Check, SlidersHorizontal } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { VIEWS } from '../stages';
import { ITEM, MENU } from '../ui/menu';
import { THEMES, setTheme, useTheme } from '../ui/theme';

/** What belongs to the job as a whole and to this screen: forms, house rules, the plan file, colors, keys. */
export function JobMenu({
  jobId,
  onStage,
  onRules,
  onKeys,
}: {
  readonly jobId: string;
  readonly onStage: (stage: string) => void;
  readonly onRules: () => void;
  readonly onKeys: () => void;
}) {
  const theme = useTheme();
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className="button plain px-1.5" aria-label="Job settings">
        <SlidersHorizontal aria-hidden="true" size={17} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Content align="end" className={MENU}>
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
      </DropdownMenu.Content>
    </DropdownMenu.Root>
  );
}
