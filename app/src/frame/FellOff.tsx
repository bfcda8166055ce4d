/** Why a tick fell off: the line reads differently now. */
export const FellOff = ({ was }: { readonly was: string | null }) =>
  was === null ? null : (
    <span className="block text-sm text-check">Look again, the job has changed. Seen as: {was}</span>
  );
