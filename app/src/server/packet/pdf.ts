import { randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir, userInfo } from 'node:os';
import { join } from 'node:path';
import pdfmake from 'pdfmake';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';
import { toSfnt } from 'woff2sfnt-sfnt2woff';

const require = createRequire(import.meta.url);

/** Where fonts are unpacked: a folder of this user's own. */
const UNPACKED = join(tmpdir(), `ombra-fonts-${String(userInfo().uid)}`);

/**
 * A font of ours, unpacked from its web file and kept between runs: reading glyphs out of the packed one took half of the time of a
 * packet. Where nothing can be written, the packed one has to do.
 */
function font(family: string, file: string): string {
  const packed = require.resolve(`@fontsource/${family}/files/${file}.woff`);
  const path = join(UNPACKED, `${file}.ttf`);
  try {
    const bytes = toSfnt(readFileSync(packed));
    if (existsSync(path) && readFileSync(path).equals(bytes)) return path;
    mkdirSync(UNPACKED, { recursive: true, mode: 0o700 });
    // Several workers may be at it: each writes its own, and the last one stands.
    const own = `${path}.${randomUUID()}`;
    writeFileSync(own, bytes, { mode: 0o600 });
    renameSync(own, path);
    return path;
  } catch {
    return packed;
  }
}

const barlow = (subset: string, weight: number): string =>
  font('barlow-semi-condensed', `barlow-semi-condensed-${subset}-${String(weight)}-normal`);

/** One thin and one thick cut of a font; slanted letters are not used. */
const cuts = (normal: string, bold: string) => ({ normal, bold, italics: normal, bolditalics: bold });

let ready = false;

/** Our fonts, and nothing else from this machine or any other. */
function prepare(): void {
  if (ready) return;
  const marker = font('permanent-marker', 'permanent-marker-latin-400-normal');
  const fonts = {
    'Barlow Semi Condensed': cuts(barlow('latin', 400), barlow('latin', 600)),
    'Barlow More': cuts(barlow('latin-ext', 400), barlow('latin-ext', 600)),
    'Permanent Marker': cuts(marker, marker),
  };
  const files = new Set(Object.values(fonts).flatMap((own) => Object.values(own)));
  pdfmake.setFonts(fonts);
  pdfmake.setUrlAccessPolicy(() => false);
  pdfmake.setLocalAccessPolicy((path) => files.has(path));
  pdfmake.setTableLayouts({
    ruled: {
      hLineWidth: (line, node) => (line === 0 ? 0 : line === node.table.headerRows ? 1 : 0.4),
      vLineWidth: () => 0,
      hLineColor: () => '#555555',
      paddingLeft: (column) => (column === 0 ? 0 : 5),
      paddingRight: () => 5,
      paddingTop: () => 1.5,
      paddingBottom: () => 1.5,
    },
  });
  ready = true;
}

/** Lays a document out as the bytes of a PDF file. */
export async function renderPdf(document: TDocumentDefinitions): Promise<Uint8Array> {
  prepare();
  return new Uint8Array(await pdfmake.createPdf(document).getBuffer());
}
