import type { EscMemory } from '#core/procedure/language';
import type { Calibration } from '#core/calibration/calibration';
import type { EvidenceBasis } from '#core/sheet/evidence';

/** What the page tells the server of the bench. */
export interface BenchRecord {
  /** Of which ESC of the model. */
  escNumber: number;
  memory: EscMemory;
  seen: { itemId: string; stopId: string | null; basis: EvidenceBasis }[];
  calibration?: Calibration;
}

/** What became of it. Only what is kept is kept: where it is away, it may be sent again; where it is refused, never. */
export type Sent = 'kept' | 'away' | 'refused';

/** Sends it. */
export async function sendBenchRecord(rigId: string, body: BenchRecord): Promise<Sent> {
  try {
    const response = await fetch(`/rigs/${rigId}/bench-record`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
      keepalive: true,
    });
    if (response.ok) return 'kept';
    return response.status < 500 ? 'refused' : 'away';
  } catch {
    return 'away';
  }
}
