import { Choice } from '../ui/Choice';

/** Which pour a view shows, where the job has several. */
export function PourChoice({
  pours,
  shown,
  onChoose,
}: {
  readonly pours: readonly { readonly id: string; readonly name: string }[];
  readonly shown: string;
  readonly onChoose: (pour: string) => void;
}) {
  if (pours.length < 2) return null;
  return (
    <div className="max-w-2xl">
      <Choice
        label="Pour"
        name="which-pour"
        value={shown}
        options={pours.map(({ id, name }) => ({ value: id, label: name }))}
        onChoose={onChoose}
      />
    </div>
  );
}
