import { whoAsks } from '#server/access/who';
import { keptPagesFor } from '#server/repositories/keptPages';

/** Which pages this device should keep for when the bench is away. */
export const loader = async () => Response.json(await keptPagesFor(whoAsks()));
