import { Dialog } from '../ui/Dialog';
import { KEYS } from './keys';

export function KeysDialog({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  return (
    <Dialog title="Keys" open={open} onClose={onClose}>
      <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-1">
        {KEYS.map(({ keys, does }) => (
          <div key={keys} className="contents">
            <dt className="figures font-semibold whitespace-nowrap">{keys}</dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <button type="button" className="button strong mt-4" onClick={onClose}>
        Close
      </button>
    </Dialog>
  );
}
