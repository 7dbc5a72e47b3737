/** The demo's rigs and ESC profiles, for measurements. */
import type { EscProfile } from '#core/esc/profile';
import type { Rig } from '#core/rig/rig';
import { readDocument } from '#formats/document';
import { readFileSync } from 'node:fs';

export function profileOf(id: string): EscProfile {
  const read = readDocument(readFileSync(`demo/${id}.esc-profile.json`, 'utf8'));
  if (!read.ok || read.value.format !== 'live-tune/esc-profile') throw new Error(`no profile ${id}`);
  return read.value;
}

export function rigOf(id: string): Rig {
  const read = readDocument(readFileSync(`demo/${id}.rig.json`, 'utf8'));
  if (!read.ok || read.value.format !== 'live-tune/rig') throw new Error(`no rig ${id}`);
  return read.value.rig;
}
