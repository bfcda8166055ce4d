import { createHash } from 'node:crypto';
import fc from 'fast-check';
import { readEntry } from '@ombra/core/kernel/record';
import { zipSync } from 'fflate';
import JSZip from 'jszip';
import { describe, expect, it } from 'vitest';
import { anyLog } from '../../core/test/support/entries';
import { packJob, unpackJob } from '../src/server/jobZip';

const PLAN = '{"format":"ombra.plan","version":2,"name":"Kennel"}\n';
const hashOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');
const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const note = (id: string, what: string): string =>
  JSON.stringify({ id, at: '2027-04-06T15:00:00-04:00', who: 'Ida', kind: 'note', body: { what } });

/** Logs as the server keeps them: no id twice, and the keys of an entry in the order of its schema. */
const logs = anyLog.map((log) =>
  [...new Map(log.map((entry) => [entry.id, entry])).values()].flatMap((entry) => {
    const read = readEntry(entry);
    return read.ok ? [read.entry] : [];
  }),
);
const pictures = fc
  .array(fc.uint8Array({ minLength: 1, maxLength: 400 }), { maxLength: 4 })
  .map((all) => new Map(all.map((each) => [hashOf(each), each])));

describe('a packed job', () => {
  it('comes back as it was, and packed again it is the same to the bit', () => {
    fc.assert(
      fc.property(logs, pictures, (entries, kept) => {
        const packed = packJob(PLAN, { entries, pictures: kept });
        const back = unpackJob(packed);
        if (!back.ok) throw new Error(JSON.stringify(back.problems));
        expect(back.job.plan).toEqual(JSON.parse(PLAN));
        expect(back.job.entries).toEqual(entries);
        expect(new Map([...back.job.pictures].map(([hash, each]) => [hash, [...each]]))).toEqual(
          new Map([...kept].map(([hash, each]) => [hash, [...each]])),
        );
        expect(packJob(PLAN, back.job)).toEqual(packed);
      }),
      { numRuns: 60 },
    );
  });

  it('is read by another package', async () => {
    const picture = bytes('picture');
    const packed = packJob(PLAN, {
      entries: [],
      pictures: new Map([[hashOf(picture), picture]]),
    });
    const zip = await JSZip.loadAsync(packed, { checkCRC32: true });
    expect(Object.keys(zip.files).sort()).toEqual(['log.jsonl', `pictures/${hashOf(picture)}`, 'plan.json']);
    expect(await zip.file('plan.json')?.async('string')).toBe(PLAN);
  });
});

describe('what is no packed job', () => {
  const whole = packJob(PLAN, { entries: [], pictures: new Map() });
  const packed = (files: Readonly<Record<string, string>>): Uint8Array =>
    zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, bytes(text)])));
  /** A ZIP whose directory says that its plan is so large once unpacked. */
  const bomb = (size: number): Uint8Array => {
    const made = packed({ 'plan.json': '{}' });
    const view = new DataView(made.buffer, made.byteOffset, made.byteLength);
    for (let at = 0; at < made.length - 4; at++) {
      if (view.getUint32(at, true) === 0x02014b50) view.setUint32(at + 24, size, true);
      if (view.getUint32(at, true) === 0x04034b50) view.setUint32(at + 22, size, true);
    }
    return made;
  };
  const cases: readonly (readonly [string, Uint8Array, RegExp])[] = [
    ['nothing at all', new Uint8Array(), /no ZIP/],
    ['a text', bytes('A job, honestly.'), /no ZIP/],
    ['a picture', new Uint8Array([0x89, 0x50, 0x4e, 0x47]), /no ZIP/],
    ['an empty ZIP', zipSync({}), /no plan\.json/],
    ['a ZIP of something else', packed({ 'readme.txt': 'hello' }), /no plan\.json/],
    ['a plan that is no JSON', packed({ 'plan.json': '{' }), /not readable JSON/],
    ['a log that is no JSON', packed({ 'plan.json': '{}', 'log.jsonl': 'what\n' }), /not readable JSON/],
    [
      'a log of other things',
      packed({ 'plan.json': '{}', 'log.jsonl': '{"kind":"song"}\n' }),
      /kind of entry/,
    ],
    [
      'two entries under one id',
      packed({ 'plan.json': '{}', 'log.jsonl': `${note('a', 'one')}\n${note('a', 'two')}\n` }),
      /belongs to another line/,
    ],
    [
      'a picture under a wrong name',
      packed({ 'plan.json': '{}', [`pictures/${'0'.repeat(64)}`]: 'picture' }),
      /not what its name says/,
    ],
    [
      'a log that is no text',
      zipSync({ 'plan.json': bytes('{}'), 'log.jsonl': new Uint8Array([0xff, 0xfe, 0xfd]) }),
      /not text/,
    ],
    ['a plan of 2 GB', bomb(2_000_000_000), /larger than any job/],
    ['a plan of 101 MB', bomb(101_000_000), /larger than any job/],
  ];

  it.each(cases)('%s is refused in plain words', (_name, file, what) => {
    const found = unpackJob(file);
    expect(found.ok ? '' : found.problems[0]?.what).toMatch(what);
  });

  it('cut off anywhere it is refused, and with any byte changed it never breaks', () => {
    for (let at = 0; at < whole.length; at += 3) {
      expect(unpackJob(whole.slice(0, at)).ok).toBe(false);
      const changed = whole.slice();
      changed[at] = (changed[at] ?? 0) ^ 0xff;
      expect(() => unpackJob(changed)).not.toThrow();
    }
  });

  it('files that are not a job’s are passed over, wherever they want to go', () => {
    const found = unpackJob(packed({ 'plan.json': '{}', '../../etc/passwd': 'x', 'pictures/../up': 'y' }));
    expect(found.ok && [...found.job.pictures.keys()]).toEqual([]);
  });
});
