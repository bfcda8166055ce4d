import { entryJsonSchema } from '@ombra/core/kernel/record';
import type { APIRoute } from 'astro';
import { json, only } from '../../server/answers';

/** The published JSON Schema of entries of the log. */
export const GET: APIRoute = () => json(entryJsonSchema());

export const ALL = only('GET');
