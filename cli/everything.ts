/** Saving and restoring everything: asked of the Live Tune that runs on this machine. */
import { createReadStream, createWriteStream, readFileSync } from 'node:fs';
import { rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { parseArgs } from 'node:util';
import { Refused } from './refused';

export const EVERYTHING = ['save', 'restore'] as const;
const CHOICES = ['keep', 'both', 'replace'];

interface Compared {
  rigs: { name: string; standing: string }[];
}

/**
 * Runs `save FILE` or `restore FILE`.
 * @param args as typed, the verb first
 * @returns what was done, for printing
 * @throws {Refused} where Live Tune does not run, or refuses the file
 */
export async function everything(args: readonly string[]): Promise<object> {
  const { positionals, values } = parse(args);
  const [verb, file, ...rest] = positionals;
  if (file === undefined || rest.length > 0) throw new Refused(`${verb!} takes one file. See --help.`);
  const address = addressOf();
  if (verb === 'save') return save(address, file);
  if (!CHOICES.includes(values.differing))
    throw new Refused(`--differing takes ${CHOICES.join(', ')}, not '${values.differing}'.`);
  return restore(address, file, values.differing);
}

function parse(args: readonly string[]) {
  try {
    return parseArgs({
      args: [...args],
      allowPositionals: true,
      options: { differing: { type: 'string', default: 'keep' } },
    });
  } catch (error) {
    throw new Refused(`${(error as Error).message} See --help.`);
  }
}

/** Where it runs: it writes that down itself. */
function addressOf(): string {
  const data = process.env.LIVE_TUNE_DATA ?? '.data';
  try {
    return readFileSync(join(data, 'address'), 'utf8').trim();
  } catch {
    throw new Refused(`No Live Tune runs on the data folder '${data}'. Start it first: ./start`);
  }
}

/** Written beside its place and moved there when it is whole. */
async function save(address: string, file: string): Promise<object> {
  const response = await answer(`${address}/archive`, {});
  const making = `${file}.part`;
  try {
    await pipeline(Readable.fromWeb(response.body as never), createWriteStream(making));
    await rename(making, file);
  } catch (error) {
    await rm(making, { force: true });
    throw new Refused(`'${file}' could not be written: ${(error as Error).message}.`);
  }
  return { file, bytes: (await stat(file)).size };
}

async function restore(address: string, file: string, differing: string): Promise<object> {
  const headers = { origin: address, 'content-type': 'application/zip' };
  const { size } = await stat(file).catch(() => {
    throw new Refused(`'${file}' cannot be read.`);
  });
  const looked = await answer(`${address}/archive`, {
    method: 'POST',
    headers: { ...headers, 'content-length': String(size) },
    body: Readable.toWeb(createReadStream(file)) as never,
    duplex: 'half',
  } as RequestInit);
  const { token, compared } = (await looked.json()) as { token: string; compared: Compared };
  const brought = await answer(`${address}/archive/${token}?choice=${differing}`, {
    method: 'POST',
    headers,
  });
  const { restored } = (await brought.json()) as { restored: number };
  const count = (standing: string): number => compared.rigs.filter((rig) => rig.standing === standing).length;
  return { file, new: count('new'), same: count('same'), different: count('different'), differing, restored };
}

async function answer(url: string, request: RequestInit): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(url, request);
  } catch {
    throw new Refused(`Live Tune does not answer at ${url}.`);
  }
  if (response.ok) return response;
  const { sentence } = (await response.json().catch(() => ({}))) as { sentence?: string };
  throw new Refused(sentence ?? `Live Tune refused it (${response.status}).`);
}
