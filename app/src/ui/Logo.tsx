/** The wordmark, casting its own short shadow. */
export function Logo() {
  return (
    <a
      href="/"
      className="figures relative inline-block min-h-(--target) text-3xl font-semibold tracking-wide"
      aria-label="Ombra: all jobs"
    >
      <span aria-hidden="true" className="absolute top-[3px] left-[4px] text-shadow">
        ombra
      </span>
      <span className="relative">ombra</span>
    </a>
  );
}
