import type { APIRoute } from 'astro';
import { json, only } from '../../server/answers';
import { openApi } from '../../server/api/openapi';

/** The API as an OpenAPI 3.1 document. */
export const GET: APIRoute = () => json(openApi());

export const ALL = only('GET');
