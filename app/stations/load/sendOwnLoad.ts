import type { OwnLoadAsked } from './ownLoadAsked';
import type { Said } from '#server/repositories/openLoads';

/** `away`: it may be sent again. `refused`: never. */
export type OwnLoadAnswer = Said | 'away' | 'refused';

/** Tells the server of a load that several see. */
export async function sendOwnLoad(rigId: string, asked: OwnLoadAsked): Promise<OwnLoadAnswer> {
  try {
    const response = await fetch(`/rigs/${rigId}/own-load`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(asked),
      keepalive: true,
    });
    if (response.ok) return ((await response.json()) as { said: Said }).said;
    return response.status < 500 ? 'refused' : 'away';
  } catch {
    return 'away';
  }
}
