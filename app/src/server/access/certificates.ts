import { X509Certificate, createPrivateKey } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { mkdir, rename, writeFile } from 'node:fs/promises';
import { isIP } from 'node:net';
import { join } from 'node:path';
import { generate } from 'selfsigned';
import type { Settings } from '../settings';
import { StartFailure } from '../startFailure';
import { namesOf } from './origins';

/** A certificate and its key, as texts. */
export interface Pair {
  readonly certificate: string;
  readonly key: string;
}

/** What a server speaks TLS with. */
export interface Certificates {
  readonly pair: Pair;
  /** The authority that devices are asked to trust; null where the certificate is the user’s own. */
  readonly authority: string | null;
}

const DAY = 86_400_000;

/** Phones refuse certificates of more than 398 days, whoever signed them (baseline requirements of browsers, 6.3.2). */
const SERVES = 390 * DAY;
const AUTHORITY_SERVES = 3650 * DAY;

/** A certificate is made anew so long before it ends. */
const RENEWED_BEFORE = 30 * DAY;

/** Valid from two days ago: a phone’s clock may be behind. */
const BACKDATED = 2 * DAY;

const inFolder = (folder: string, name: string): string => join(folder, 'tls', name);

/** Writes a file so that it is whole or not there, for this user alone. */
async function keep(path: string, text: string): Promise<void> {
  const unfinished = `${path}.part`;
  await writeFile(unfinished, text, { mode: 0o600, flush: true });
  await rename(unfinished, path);
}

/** A pair that was kept and is still good for so long; null where there is none. */
function kept(folder: string, name: string, now: Date): (Pair & { readonly read: X509Certificate }) | null {
  const [certificatePath, keyPath] = [inFolder(folder, `${name}.crt`), inFolder(folder, `${name}.key`)];
  if (!existsSync(certificatePath) || !existsSync(keyPath)) return null;
  try {
    const certificate = readFileSync(certificatePath, 'utf8');
    const read = new X509Certificate(certificate);
    const good = Date.parse(read.validTo) - now.getTime() > RENEWED_BEFORE;
    return good ? { certificate, key: readFileSync(keyPath, 'utf8'), read } : null;
  } catch {
    // What cannot be read is made anew.
    return null;
  }
}

async function made(
  folder: string,
  name: string,
  options: Parameters<typeof generate>[1],
  subject: Parameters<typeof generate>[0],
): Promise<Pair> {
  const { cert: certificate, private: key } = await generate(subject, {
    keyType: 'ec',
    curve: 'P-256',
    algorithm: 'sha256',
    ...options,
  });
  await keep(inFolder(folder, `${name}.key`), key);
  await keep(inFolder(folder, `${name}.crt`), certificate);
  return { certificate, key };
}

const span = (now: Date, serves: number) => ({
  notBeforeDate: new Date(now.getTime() - BACKDATED),
  notAfterDate: new Date(now.getTime() + serves - BACKDATED),
});

/** Whether a certificate speaks for every one of these names. */
const covers = (certificate: X509Certificate, names: readonly string[]): boolean =>
  names.every(
    (name) => (isIP(name) === 0 ? certificate.checkHost(name) : certificate.checkIP(name)) !== undefined,
  );

/**
 * The authority of a data folder and a certificate of it for these names: those that were kept while they are good for another
 * month and speak for all names, else new ones. A new certificate of the same authority is trusted where the one before was.
 *
 * @param names host names and addresses, those of version 6 without brackets
 */
export async function ownCertificates(
  folder: string,
  names: readonly string[],
  now: Date,
): Promise<Certificates & { readonly authority: string }> {
  await mkdir(join(folder, 'tls'), { recursive: true, mode: 0o700 });
  const authority =
    kept(folder, 'authority', now) ??
    (await made(
      folder,
      'authority',
      {
        ...span(now, AUTHORITY_SERVES),
        extensions: [
          { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
          { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
        ],
      },
      [{ name: 'commonName', value: `Ombra on this site, ${now.toISOString().slice(0, 10)}` }],
    ));
  const before = kept(folder, 'server', now);
  const signed = new X509Certificate(authority.certificate);
  if (before && before.read.checkIssued(signed) && covers(before.read, names))
    return { pair: before, authority: authority.certificate };
  const pair = await made(
    folder,
    'server',
    {
      ...span(now, SERVES),
      ca: { key: authority.key, cert: authority.certificate },
      extensions: [
        { name: 'basicConstraints', cA: false, critical: true },
        { name: 'keyUsage', digitalSignature: true, critical: true },
        { name: 'extKeyUsage', serverAuth: true },
        {
          name: 'subjectAltName',
          altNames: names.map((name) =>
            isIP(name) === 0 ? { type: 2, value: name } : { type: 7, ip: name },
          ),
        },
      ],
    },
    [{ name: 'commonName', value: names[0] ?? 'Ombra' }],
  );
  return { pair, authority: authority.certificate };
}

/** A certificate and key of the user’s, read and held against each other; throws what is wrong in one sentence. */
function usersPair({ certificate, key }: { readonly certificate: string; readonly key: string }): Pair {
  for (const path of [certificate, key]) {
    if (!existsSync(path))
      throw new StartFailure(`There is no file ${path}; name the certificate and its key.`);
  }
  const pair = { certificate: readFileSync(certificate, 'utf8'), key: readFileSync(key, 'utf8') };
  let read: X509Certificate;
  try {
    read = new X509Certificate(pair.certificate);
  } catch {
    throw new StartFailure(
      `${certificate} is no certificate in PEM form; name the file that begins with “BEGIN CERTIFICATE”.`,
    );
  }
  let belongs = false;
  try {
    belongs = read.checkPrivateKey(createPrivateKey(pair.key));
  } catch {
    throw new StartFailure(
      `${key} is no key in PEM form without a passphrase; name the file that begins with “BEGIN PRIVATE KEY”.`,
    );
  }
  if (!belongs)
    throw new StartFailure(
      `The key ${key} does not belong to the certificate ${certificate}; name the two that were made together.`,
    );
  return pair;
}

/** What a server speaks TLS with, by its settings; null where it speaks without. */
export async function certificatesOf(
  { tls, host, address, dataFolder }: Pick<Settings, 'tls' | 'host' | 'address' | 'dataFolder'>,
  now: Date,
): Promise<Certificates | null> {
  if (tls === null) return null;
  if (tls !== 'own') return { pair: usersPair(tls), authority: null };
  const named = address === null ? [] : [new URL(address).hostname];
  const names = [...new Set([...named, ...namesOf(host)].map((name) => name.replace(/^\[|\]$/g, '')))];
  return ownCertificates(dataFolder, names, now);
}
