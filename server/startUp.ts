import { DEMO_FILES } from '../demo/demo';
import { importDocument } from './importDocument';
import { migrate } from './migrate';
import { defineModels } from './models';
import { currentGarage, markDemoLoaded } from './repositories/garages';

/** Makes the database ready: tables, the garage, and on the very first start the demo. */
export async function startUp(): Promise<void> {
  await migrate();
  defineModels();
  const garage = await currentGarage();
  if (garage.demoLoaded) return;
  for (const file of DEMO_FILES) {
    const result = await importDocument(garage.id, file);
    if (!result.ok) throw new Error(`the demo does not load: ${JSON.stringify(result.problems)}`);
  }
  await markDemoLoaded(garage.id);
}
