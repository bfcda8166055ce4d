import { readChoice } from '../../stages/packet/choice';
import { type ExportJob, type Made, made } from './job';

/** What a packet needs besides its job: the address for its codes, and where to report progress. */
export interface PacketAsk {
  readonly origin: string;
  readonly onProgress?: (done: number, of: number) => void;
}

/** The packet, `packet.pdf`; what it holds is asked for in its address. */
export async function packetOf(
  job: ExportJob,
  name: string,
  asked: URLSearchParams,
  { origin, onProgress }: PacketAsk,
): Promise<Made | null> {
  if (name !== 'packet') return null;
  const reading = readChoice(asked, job.plan.units === 'metric' ? 'a4' : 'letter');
  if (!reading.ok) return { ...reading, status: 422 };
  const { choice } = reading;
  const [{ packetDocument }, { wordsOf }, { renderPdf }] = await Promise.all([
    import('../packet/packet'),
    import('../packet/words'),
    import('../packet/pdf'),
  ]);
  // Laying out is one step that cannot be looked into: it counts as much as all the sections before it.
  const steps = 2 * choice.sheets.length;
  const document = packetDocument({
    job,
    choice,
    words: wordsOf(choice.language),
    origin,
    onSection: (done) => onProgress?.(done, steps),
  });
  const bytes = await renderPdf(document);
  onProgress?.(steps, steps);
  return made('application/pdf', bytes);
}
