import type { LinkReading } from './accessStore';

/** Why a link lets nobody in, in a sentence with what to do; null where it does. */
export function whyNot(reading: LinkReading): string | null {
  switch (reading.kind) {
    case 'open':
      return null;
    case 'unknown':
      return 'This link is not one of ours; perhaps a part of it is missing. Ask for it again.';
    case 'withdrawn':
      return 'This link was withdrawn. Ask the office for a new one.';
    case 'expired':
      return `This link ended on ${reading.link.expiresAt.slice(0, 10)}. Ask the office for a new one; a device that came in by it before is still in.`;
  }
}
