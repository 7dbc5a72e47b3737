import type { EscMemory } from '#core/procedure/language';
import type { Calibration } from '#core/calibration/calibration';
import type { EvidenceBasis } from '#core/sheet/evidence';

/** What the page tells the server of the bench. */
export interface BenchRecord {
  memory: EscMemory;
  seen: { itemId: string; stopId: string | null; basis: EvidenceBasis }[];
  calibration?: Calibration;
}

/** Sends it. @returns false where the server is away or refused; nothing was kept then */
export async function sendBenchRecord(rigId: string, body: BenchRecord): Promise<boolean> {
  try {
    const response = await fetch(`/rigs/${rigId}/bench-record`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
      keepalive: true,
    });
    return response.ok;
  } catch {
    return false;
  }
}
