/** Stops of a cutoff as manuals print them: volts of a cell, volts of the pack, or cells that are protected. */
import { leadingNumber, saysOff } from './printedNumber';

/** No cell of any kind has more: what is above counts the pack. */
export const MOST_OF_A_CELL = 4.5;

/** "3S" or "3 cells": for how many cells the cutoff is. */
export function cellsOfStop(label: string): number | undefined {
  const count = /^(\d{1,2})[ -]?(s|cells?)\b/i.exec(label.trim())?.[1];
  return count === undefined || Number(count) === 0 ? undefined : Number(count);
}

/** The numbers of a cutoff's stops, but for those that are off or say something else. */
export const voltsOfStops = (labels: readonly string[]): number[] =>
  labels.flatMap((label) => (saysOff(label) ? [] : (leadingNumber(label)?.number ?? [])));
