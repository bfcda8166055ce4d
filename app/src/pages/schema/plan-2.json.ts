import { planJsonSchema } from '@ombra/core/planFile';
import type { APIRoute } from 'astro';
import { json, only } from '../../server/answers';

/** The published JSON Schema of plan files, version 2. */
export const GET: APIRoute = () => json(planJsonSchema());

export const ALL = only('GET');
