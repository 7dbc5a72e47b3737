import type { Result } from '#core/units/problem';
import { readDocument } from '#formats/document';
import { DEMO_FILES, DEMO_SET_UPS } from '../demo/demo';
import { DEMO_PACKS, DEMO_QUESTIONS, demoDays } from '../demo/days/makeDays';
import { DEMO_RUNS } from '../demo/season/season';
import { importDocument } from './importDocument';
import { keepRunFile } from './keepRunFile';
import { migrate } from './migrate';
import { defineModels } from './models';
import { keepAsked } from './repositories/asked';
import { addDay } from './repositories/days';
import { firstGarage, markDemoLoaded } from './repositories/garages';
import { takePack } from './repositories/packs';
import { keepSetUp } from './repositories/setUps';
import { today } from './today';

/** Makes the database ready: tables, the garage, and on the very first start the demo. */
export async function startUp(): Promise<void> {
  await migrate();
  defineModels();
  const garage = await firstGarage();
  if (garage.demoLoaded) return;
  const rigs = new Map<string, string>();
  for (const file of DEMO_FILES) {
    const { rigId, rigName } = sound(await importDocument(garage.id, file));
    if (rigId !== undefined && rigName !== undefined) rigs.set(rigName, rigId);
  }
  for (const file of DEMO_SET_UPS) {
    const document = sound(readDocument(file));
    if (document.format !== 'live-tune/set-up') throw new Error('a set-up of the demo is something else');
    const rigId = rigs.get(document.setUp.conditions.rigName);
    if (rigId === undefined) throw new Error(`the demo has no rig for “${document.setUp.name}”`);
    await keepSetUp(rigId, document.setUp);
  }
  for (const file of DEMO_RUNS) {
    const document = sound(readDocument(file));
    if (document.format !== 'live-tune/run') throw new Error('a run of the demo is something else');
    const rigId = rigs.get(document.run.rigName);
    if (rigId === undefined) throw new Error(`the demo has no rig for run ${document.run.id}`);
    sound(await keepRunFile(rigId, document));
  }
  await keepDemoDays(garage.id, rigs);
  await markDemoLoaded(garage.id);
}

/** Packs, what is asked, and the days that are planned with both. */
async function keepDemoDays(garageId: string, rigs: ReadonlyMap<string, string>): Promise<void> {
  const named = (name: string): string => {
    const rigId = rigs.get(name);
    if (rigId === undefined) throw new Error(`the demo has no rig “${name}” for its days`);
    return rigId;
  };
  const demoRigs = { buggy: named('Kelp-beach buggy'), crawler: named('Cliff-path crawler') };
  for (const pack of DEMO_PACKS) await takePack(garageId, pack);
  for (const { rig, asked } of DEMO_QUESTIONS) await keepAsked(demoRigs[rig], asked);
  for (const day of demoDays(today(), demoRigs)) await addDay(garageId, day);
}

function sound<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(`the demo does not load: ${JSON.stringify(result.problems)}`);
  return result.value;
}
