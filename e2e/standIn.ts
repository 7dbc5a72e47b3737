import { readFile } from 'node:fs/promises';
import { connect } from 'node:net';

/** Who runs in a Live Tune, by its data folder. */
export interface Processes {
  web: number;
  database: number;
  standIn: number;
  controlPort: number;
}

export const processesOf = async (data: string): Promise<Processes> =>
  JSON.parse(await readFile(`${data}/processes.json`, 'utf8')) as Processes;

interface Answer {
  memory?: { memory: { stops: Record<string, string> } };
}

/** A word to the hands at the stand-in's bench. */
export async function control(data: string, request: object): Promise<Answer> {
  const { controlPort } = await processesOf(data);
  return new Promise((resolve, reject) => {
    const socket = connect({ port: controlPort, host: '127.0.0.1' });
    let text = '';
    socket.setEncoding('utf8');
    socket.on('error', reject);
    socket.on('data', (chunk: string) => {
      text += chunk;
      if (!text.endsWith('\n')) return;
      socket.end();
      resolve(JSON.parse(text) as Answer);
    });
    socket.write(`${JSON.stringify(request)}\n`);
  });
}
