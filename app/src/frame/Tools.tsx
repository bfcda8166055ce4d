import { type LucideIcon, Printer, Redo2, Search, SlidersHorizontal, Undo2 } from 'lucide-react';
import { type ReactNode, type RefObject, useEffect, useRef, useState } from 'react';
import type { Job } from '../job/useJob';
import { useLater } from '../ui/useLater';
import { IconButton } from './IconButton';

export interface ToolsProps {
  readonly jobId: string;
  readonly job: Job;
  readonly stage: string;
  readonly onStage: (stage: string) => void;
  readonly onKeys: () => void;
  readonly onRules: () => void;
  readonly onFind: () => void;
}

/** What a menu of the header is given. */
export interface MenuProps extends Omit<ToolsProps, 'job' | 'onFind'> {
  /** What opens it. */
  readonly button: ReactNode;
  /** Whether it opens as it comes. */
  readonly open: boolean;
}

const fetchMenus = () => import('./menus');
type Menus = Awaited<ReturnType<typeof fetchMenus>>;

/** Milliseconds after which it is seen again whether buttons are still under a hand. */
const LOOK_AGAIN = 200;

/**
 * The menus once they are there and nothing of the header is under a hand: a button that is exchanged in the middle of a press would not
 * hear its end.
 */
function useMenus(buttons: RefObject<HTMLElement | null>, pressed: boolean): Menus | null {
  const menus = useLater(fetchMenus, pressed);
  const [free, setFree] = useState(false);
  useEffect(() => {
    if (!menus || free) return;
    const look = (): void => {
      if (buttons.current?.matches(':hover, :focus-within') !== true) setFree(true);
    };
    look();
    const timer = setInterval(look, LOOK_AGAIN);
    return () => {
      clearInterval(timer);
    };
  }, [menus, free, buttons]);
  return free || pressed ? menus : null;
}

function MenuButton({
  name,
  Icon,
  onPress,
  ...others
}: {
  readonly name: string;
  readonly Icon: LucideIcon;
  /** Left out where a menu hangs on it. */
  readonly onPress?: () => void;
}) {
  return (
    <button
      type="button"
      aria-haspopup="menu"
      aria-expanded={false}
      className="button plain px-1.5"
      aria-label={name}
      {...(onPress && {
        onClick: onPress,
        onKeyDown: ({ key }) => {
          if (key === 'ArrowDown') onPress();
        },
      })}
      {...others}
    >
      <Icon aria-hidden="true" size={17} />
    </button>
  );
}

const SHEETS = { name: 'Sheets to print', Icon: Printer };
const SETTINGS = { name: 'Job settings', Icon: SlidersHorizontal };

/** Undo, redo, the search and the menus. The header stands before the menus are there. */
export function Tools({ job, onFind, ...given }: ToolsProps) {
  const box = useRef<HTMLDivElement>(null);
  const [pressed, setPressed] = useState<'sheets' | 'settings' | null>(null);
  const menus = useMenus(box, pressed !== null);
  const Tip = menus?.Tip;
  return (
    <div ref={box} className="contents">
      <IconButton
        name="Undo"
        keys="Ctrl Z"
        Icon={Undo2}
        Tip={Tip}
        disabled={!job.canUndo}
        onPress={job.undo}
      />
      <IconButton
        name="Redo"
        keys="Ctrl Shift Z"
        Icon={Redo2}
        Tip={Tip}
        disabled={!job.canRedo}
        onPress={job.redo}
      />
      <IconButton name="Find anything" keys="/" Icon={Search} Tip={Tip} onPress={onFind} />
      {menus ? (
        <>
          <menus.SheetsMenu {...given} button={<MenuButton {...SHEETS} />} open={pressed === 'sheets'} />
          <menus.JobMenu {...given} button={<MenuButton {...SETTINGS} />} open={pressed === 'settings'} />
        </>
      ) : (
        <>
          <MenuButton
            {...SHEETS}
            onPress={() => {
              setPressed('sheets');
            }}
          />
          <MenuButton
            {...SETTINGS}
            onPress={() => {
              setPressed('settings');
            }}
          />
          {pressed && <span role="status">Fetching the menu …</span>}
        </>
      )}
    </div>
  );
}
