import { GarageModel } from '../models';

export interface Garage {
  id: string;
  demoLoaded: boolean;
}

/** The one garage of this installation, made when it is first asked for. Every other query is scoped to it. */
export async function currentGarage(): Promise<Garage> {
  const garage =
    (await GarageModel.findOne({ order: [['created_at', 'ASC']] })) ??
    (await GarageModel.create({ name: 'My garage' }));
  return { id: garage.id, demoLoaded: garage.demoLoadedAt != null };
}

/** Remembers that the demo was loaded, so that a deleted demo rig does not come back. */
export async function markDemoLoaded(garageId: string): Promise<void> {
  await GarageModel.update({ demoLoadedAt: new Date() }, { where: { id: garageId } });
}
