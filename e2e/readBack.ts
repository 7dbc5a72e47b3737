import { readFile } from 'node:fs/promises';
import { factoryStops, type EscProfile } from '#core/esc/profile';
import { rangeOf } from '#core/radio/pulse';
import type { EvidenceBasis } from '#core/sheet/evidence';
import type { Page } from '@playwright/test';
import { demoRigFile, post } from './rigs';

/** Everything on the ESC of a demo rig as it was seen, usually read back as after a load by link: factory values but for those named. */
export async function readBack(
  page: Page,
  rigId: string,
  stops: Record<string, string> = {},
  { file = 'kelp-beach-buggy', basis = 'readBack' }: { file?: string; basis?: EvidenceBasis } = {},
): Promise<void> {
  const { rig, escProfileId } = await demoRigFile(file);
  const profile = JSON.parse(await readFile(`demo/${escProfileId}.esc-profile.json`, 'utf8')) as EscProfile;
  const held = { ...factoryStops(profile), ...stops };
  await post(page, `/rigs/${rigId}/bench-record`, {
    escNumber: 1,
    memory: { stops: held, range: rangeOf(rig.channel) },
    seen: Object.entries(held).map(([itemId, stopId]) => ({ itemId, stopId, basis })),
  });
}
