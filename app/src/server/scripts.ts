/** A script of the build, as the manifest has it. */
interface Chunk {
  readonly file: string;
  /** Names of the scripts that it cannot do without. */
  readonly imports?: readonly string[];
}

/** The build's own list of its scripts, by where they come from. */
export type Manifest = Readonly<Record<string, Chunk>>;

/**
 * The addresses of scripts, with all that they cannot do without, so that a page can ask for them at once and not one after the other as
 * each tells of the next.
 *
 * @param sources ends of the paths that they come from, without the kind of file
 * @example scriptsIn(manifest, ['src/frame/Workbench']) // ['/_astro/Workbench.CpA3z6u5.js', …]
 */
export function scriptsIn(manifest: Manifest, sources: readonly string[]): readonly string[] {
  const wanted = new Set(
    Object.keys(manifest).filter((key) =>
      sources.some((source) => `/${key.replace(/\.\w+$/, '')}`.endsWith(`/${source}`)),
    ),
  );
  // A set is gone through with what is added on the way.
  for (const key of wanted) for (const needed of manifest[key]?.imports ?? []) wanted.add(needed);
  return [...wanted].flatMap((key) => {
    const chunk = manifest[key];
    return chunk ? [`/${chunk.file}`] : [];
  });
}
