import { createStore, del, get, set } from 'idb-keyval';

/** Pictures that wait to be sent, by job and hash. */
let opened: ReturnType<typeof createStore> | null = null;
const store = (): ReturnType<typeof createStore> => (opened ??= createStore('ombra-pictures', 'waiting'));

const key = (jobId: string, hash: string): string => `${jobId}|${hash}`;

/** A picture as it was taken or refused. */
type PictureSent =
  | { readonly kind: 'kept'; readonly hash: string }
  | { readonly kind: 'refused'; readonly what: string }
  | { readonly kind: 'unreachable' };

/** The hash by which entries name a picture; null where the browser does not reckon one, which takes TLS. */
async function hashOf(picture: Blob): Promise<string | null> {
  if (!window.isSecureContext) return null;
  const bytes = new Uint8Array(await crypto.subtle.digest('SHA-256', await picture.arrayBuffer()));
  return [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

async function post(jobId: string, picture: Blob): Promise<PictureSent> {
  try {
    const response = await fetch(`/api/jobs/${jobId}/files`, {
      method: 'POST',
      headers: { 'Content-Type': picture.type },
      body: picture,
    });
    if (response.status >= 500 || response.status === 401) return { kind: 'unreachable' };
    const answer = (await response.json()) as {
      readonly hash?: string;
      readonly problems?: readonly { readonly what: string }[];
    };
    return answer.hash === undefined
      ? { kind: 'refused', what: answer.problems?.[0]?.what ?? 'The server did not take the picture.' }
      : { kind: 'kept', hash: answer.hash };
  } catch {
    return { kind: 'unreachable' };
  }
}

/** Sends a picture; where the server is not reached it is kept on this device and sent with the entry that names it. */
export async function keepPicture(jobId: string, picture: Blob): Promise<PictureSent> {
  const sent = await post(jobId, picture);
  if (sent.kind !== 'unreachable') return sent;
  const hash = await hashOf(picture);
  if (hash === null) return sent;
  try {
    await set(key(jobId, hash), picture, store());
    return { kind: 'kept', hash };
  } catch {
    return {
      kind: 'refused',
      what: 'This device has no room to keep the picture. Make room, or record it later.',
    };
  }
}

/** Sends a picture that waits, ahead of its entry; null where all is well, else why the server does not take it. */
export async function sendPicture(jobId: string, hash: string): Promise<string | null> {
  const picture = await get<Blob>(key(jobId, hash), store());
  if (!picture) return null;
  const sent = await post(jobId, picture);
  if (sent.kind === 'unreachable') throw new Error('The server cannot be reached.');
  if (sent.kind === 'refused') return sent.what;
  await del(key(jobId, hash), store());
  return null;
}

/** A picture that waits, as an address of itself; null where none does. */
export async function waitingPicture(jobId: string, hash: string): Promise<string | null> {
  const picture = await get<Blob>(key(jobId, hash), store());
  if (!picture) return null;
  return new Promise((resolve) => {
    const reader = new FileReader();
    reader.onload = () => {
      resolve(typeof reader.result === 'string' ? reader.result : null);
    };
    reader.onerror = () => {
      resolve(null);
    };
    reader.readAsDataURL(picture);
  });
}
