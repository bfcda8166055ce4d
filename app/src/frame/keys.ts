import { WORK } from '../stages';

/** Whether a key belongs to a field or a dialog, so that single-key shortcuts must keep quiet. */
export function isTyping(event: KeyboardEvent): boolean {
  const { target } = event;
  if (!(target instanceof HTMLElement)) return false;
  if (document.querySelector('dialog[open], [role=menu]')) return true;
  return target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName);
}

/** Every shortcut, as the keys card shows them. */
export const KEYS: readonly { readonly keys: string; readonly does: string }[] = [
  { keys: `1 … ${String(WORK.length)}`, does: WORK.map((view) => view.name).join(', ') },
  { keys: '[ ]', does: 'Previous wall, next wall' },
  { keys: '← →', does: 'Piece to piece, in laying order' },
  { keys: '↑ ↓', does: 'Course up, course down' },
  { keys: 'W', does: 'Settings of the selected wall' },
  { keys: 'B', does: 'Compare plans, find the best' },
  { keys: 'S', does: 'Strap list' },
  {
    keys: ', .',
    does: `${WORK.flatMap((view) => (view.panels ? [view.name] : [])).join(', ')}: previous tab, next tab`,
  },
  { keys: 'N', does: 'Openings: type a new one' },
  { keys: '← → ↑ ↓', does: 'On the selected opening: move it by one mark (Shift: 1/16″)' },
  { keys: 'Delete', does: 'On the selected opening: remove it' },
  { keys: 'F', does: 'Flip the strip: inside or outside' },
  { keys: 'Esc', does: 'Close the open card' },
  { keys: 'Ctrl Z', does: 'Undo (Cmd Z on a Mac)' },
  { keys: 'Ctrl Shift Z', does: 'Redo' },
  { keys: '/', does: 'Find anything: a stage, a wall, a rule, a sheet' },
  { keys: 'R', does: 'House rules of this job' },
  { keys: 'P', does: 'Sheet to print' },
  { keys: '?', does: 'These keys' },
  { keys: 'Enter', does: 'In the walk: next wall, or a new one after the last' },
];
