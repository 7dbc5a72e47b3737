/** The quick line as a whole: one value, a name alone, or a list, read by the rules of lists. */
import type { EscProfile } from '../esc/profile';
import type { Rig } from '../rig/rig';
import { isNamedSo } from './findItem';
import { readQuickEntry, type QuickEntry } from './quickEntry';
import { readQuickHandValue, type QuickHandValue } from './quickHandValues';
import { clearOf, readList, type ListLine } from './readList';

export type QuickLineEntry =
  | QuickEntry
  | QuickHandValue
  /** It can be read in two ways: nothing is taken. */
  | { kind: 'ask'; sentence: string }
  /** Several values at once. `isClear` where none of them is open. */
  | { kind: 'list'; count: number; isClear: boolean; clear: ReturnType<typeof clearOf> };

/** What a typed line means on this ESC and this model; the model's numbers where the ESC has no such value. */
export function readQuickLine(profile: EscProfile, rig: Rig, typed: string): QuickLineEntry {
  const lines = readList(profile, rig, typed);
  if (lines.length > 1) return listOf(lines);
  const [line] = lines;
  if (line?.kind === 'ask')
    return { kind: 'ask', sentence: `${line.sentence} Type # before the number of a stop.` };
  const entry = readQuickEntry(profile, typed, rig.pack.cells);
  const byHand = readQuickHandValue(rig, typed);
  // "cells 3" is the pack, though a cutoff is mixed up with it.
  const isMixedUp = entry.kind === 'move' && byHand?.kind === 'byHand' && !isNamedSo(entry.found);
  return entry.kind === 'move' && !isMixedUp ? entry : (byHand ?? entry);
}

function listOf(lines: readonly ListLine[]): QuickLineEntry {
  const count = lines.filter(({ kind }) => kind === 'move' || kind === 'byHand').length;
  return { kind: 'list', count, isClear: count === lines.length, clear: clearOf(lines) };
}
