import { resolve } from 'node:path';
import { z } from 'zod';

/** What the environment decides. */
export interface Settings {
  readonly host: string;
  readonly port: number;
  /** Folder of the database and its backups. */
  readonly dataFolder: string;
}

type SettingsReading =
  | { readonly ok: true; readonly settings: Settings }
  | { readonly ok: false; readonly problems: readonly string[] };

const LOOPBACK = ['127.0.0.1', 'localhost', '::1'];

const schema = z.object({
  PORT: z.coerce
    .number({ error: 'PORT must be a number, such as 4321.' })
    .int('PORT must be a whole number, such as 4321.')
    .min(0, 'PORT must be 0 or more.')
    .max(65535, 'PORT must be 65535 or less.')
    .default(4321),
  HOST: z
    .string()
    .refine((host) => LOOPBACK.includes(host), {
      error: 'HOST must be 127.0.0.1: opening Ombra to other machines is not offered yet.',
    })
    .default('127.0.0.1'),
  OMBRA_DATA: z.string().min(1, 'OMBRA_DATA must name a folder.').default('./data'),
});

/** Reads and checks the settings; each problem is a plain sentence. */
export function readSettings(
  environment: Readonly<Record<string, string | undefined>>,
  root: string,
): SettingsReading {
  const parsed = schema.safeParse(environment);
  if (!parsed.success) return { ok: false, problems: parsed.error.issues.map((issue) => issue.message) };
  const { PORT, HOST, OMBRA_DATA } = parsed.data;
  return { ok: true, settings: { host: HOST, port: PORT, dataFolder: resolve(root, OMBRA_DATA) } };
}
