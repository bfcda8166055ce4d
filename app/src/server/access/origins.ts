import { hostname, networkInterfaces } from 'node:os';
import type { Settings } from '../settings';

const LOOPBACK = ['127.0.0.1', 'localhost', '[::1]'];

/** Names that stand for every address of a machine. */
const EVERYWHERE = new Set(['0.0.0.0', '::']);

/** A name as it stands in an address. */
export const inAddress = (host: string): string =>
  host.includes(':') && !host.startsWith('[') ? `[${host}]` : host;

/** Addresses of this machine on its networks, those of version 4 first: they are what people type. */
function networkAddresses(): readonly string[] {
  const all = Object.values(networkInterfaces())
    .flatMap((each) => each ?? [])
    .filter(({ internal, address }) => !internal && !address.startsWith('fe80'));
  return [
    ...all.filter(({ family }) => family === 'IPv4'),
    ...all.filter(({ family }) => family !== 'IPv4'),
  ].map(({ address }) => address);
}

/** The names under which a server that listens at `host` is reached on its own machine and network. */
export function namesOf(host: string): readonly string[] {
  if (LOOPBACK.includes(inAddress(host))) return LOOPBACK;
  const own = hostname().toLowerCase();
  if (!EVERYWHERE.has(host)) return [inAddress(host), ...LOOPBACK];
  return [...networkAddresses().map(inAddress), own, `${own}.local`, ...LOOPBACK];
}

const STANDARD: Readonly<Record<string, number>> = { http: 80, https: 443 };

/**
 * The origins under which this server is meant to be reached, those that another device can reach first; browsers leave out the
 * standard port.
 *
 * @example originsOf({ host: '127.0.0.1', tls: null, address: null }, 4321)[0] // 'http://127.0.0.1:4321'
 */
export function originsOf(
  { host, tls, address }: Pick<Settings, 'host' | 'tls' | 'address'>,
  port: number,
): readonly string[] {
  const scheme = tls === null ? 'http' : 'https';
  const own = namesOf(host).flatMap((name) => [
    ...(STANDARD[scheme] === port ? [`${scheme}://${name}`] : []),
    `${scheme}://${name}:${String(port)}`,
  ]);
  return address === null ? own : [address, ...own];
}

/** Milliseconds after which a machine is asked anew which addresses it has. */
const LOOK_EVERY = 10_000;

/** The same, remembered for a moment: a machine that joins another network gets other addresses. */
export function originsNow(
  settings: Pick<Settings, 'host' | 'tls' | 'address'>,
  port: number,
  clock: () => number = Date.now,
): () => readonly string[] {
  let known: readonly string[] = [];
  let looked = -Infinity;
  return () => {
    if (clock() - looked > LOOK_EVERY) {
      known = originsOf(settings, port);
      looked = clock();
    }
    return known;
  };
}
