/** The package ships no types; this is what is used of it. */
declare module 'woff2sfnt-sfnt2woff' {
  /** A font unpacked from its web form. */
  export function toSfnt(woff: Buffer): Buffer;
}
