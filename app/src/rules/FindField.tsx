/** Looks for fields of a long form by their names. */
export function FindField({
  find,
  onFind,
}: {
  readonly find: string;
  readonly onFind: (find: string) => void;
}) {
  return (
    <label className="flex items-center gap-2">
      <span className="heading">Find a field</span>
      <input
        type="search"
        className="field w-48!"
        value={find}
        onChange={(event) => {
          onFind(event.currentTarget.value);
        }}
      />
    </label>
  );
}
