import type { LinkReading } from './accessStore';

/** Why a link does not work, in a sentence with what to do; null where it does. */
export function whyNot(reading: LinkReading): string | null {
  switch (reading.kind) {
    case 'open':
      return null;
    case 'unknown':
      return 'No such link. Perhaps a part of it is missing. Ask for it again.';
    case 'withdrawn':
      return 'This link was withdrawn. Ask the office for a new one.';
    case 'expired':
      return `This link ended on ${reading.link.expiresAt.slice(0, 10)}. Ask the office for a new one. Devices that used it before stay signed in.`;
  }
}
