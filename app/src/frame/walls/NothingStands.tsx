/** In the place of a stage that has no wall to work on. */
export function NothingStands({ title }: { readonly title: string }) {
  return (
    <div className="p-6">
      <h2 className="text-xl font-semibold">{title}</h2>
      <p className="text-quiet">The outline is not finished. Its notices say what is missing.</p>
    </div>
  );
}
