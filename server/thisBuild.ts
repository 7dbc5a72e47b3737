import { statSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

/** Which build of the server this is: the moment in which its file was written. */
export const THIS_BUILD = String(statSync(fileURLToPath(import.meta.url)).mtimeMs);
