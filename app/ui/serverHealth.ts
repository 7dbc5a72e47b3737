/** No answer by then is none. */
const WITHIN_MS = 3000;
const INSUFFICIENT_STORAGE = 507;

async function ask(path: string): Promise<Response | undefined> {
  const answer = await fetch(path, { signal: AbortSignal.timeout(WITHIN_MS) }).catch(() => undefined);
  // What is not read holds one of the few lines to the server until the time is over.
  await answer?.arrayBuffer().catch(() => undefined);
  // This device was removed meanwhile: nothing else answers it any more.
  if (answer?.status === 403) window.location.assign('/pair');
  return answer;
}

export interface ServerHealth {
  /** Whether the server and its database answer. */
  isWell: boolean;
  /** How far the clock of this device is ahead of the server's, ms; nothing where that is not known. */
  aheadMs?: number;
}

export async function serverHealth(): Promise<ServerHealth> {
  const answer = await ask('/healthz');
  const saidAt = Date.parse(answer?.headers.get('date') ?? '');
  return { isWell: answer?.ok ?? false, ...(!Number.isNaN(saidAt) && { aheadMs: Date.now() - saidAt }) };
}

/** Whether the server and its database answer. */
export const isServerWell = async (): Promise<boolean> => (await serverHealth()).isWell;

/** `full`: it answers, but has no room to keep anything. */
export type SavingHealth = 'well' | 'full' | 'away';

/** Why something was not kept: asked where the server failed to. */
export async function savingHealth(): Promise<SavingHealth> {
  const answer = await ask('/healthz?room');
  if (answer?.ok) return 'well';
  return answer?.status === INSUFFICIENT_STORAGE ? 'full' : 'away';
}
