/** `GET /shell.json`: every file that pages of this build need, for phones that keep them. */
import type { RequestHandler } from 'express';
import { readdirSync } from 'node:fs';
import { THIS_BUILD } from './thisBuild';

/** @param clientFiles the folder of what is built for browsers */
export function shell(clientFiles: string): RequestHandler {
  const files = readdirSync(`${clientFiles}assets`).map((name) => `/assets/${name}`);
  const known = { build: THIS_BUILD, files };
  return (_request, response) => {
    response.set('Cache-Control', 'no-store').json(known);
  };
}
