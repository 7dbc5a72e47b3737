/** The pack along a log: its charge, slow sag and warmth after what was drawn. The same pack as in `physics/powerTrain.ts`. */
import {
  openCircuitVolts,
  resistanceFactor,
  SLOW_SAG_SHARE,
  SLOW_SECONDS,
  temperatureFactor,
} from '../../physics/pack';
import type { ResolvedRig } from '../../physics/resolved';

export class PackAlong {
  private readonly rig: ResolvedRig;
  private charge: number;
  private slow = 0;
  private celsius: number;
  private readonly airC: number;
  private readonly cellOhm: number;
  private readonly stated: number;

  constructor(rig: ResolvedRig, charge: number, airC: number) {
    this.rig = rig;
    this.charge = Math.min(1, charge);
    this.celsius = airC;
    this.airC = airC;
    this.cellOhm = rig.packOhm - rig.leadOhm;
    this.stated = 1 / temperatureFactor(rig.ambientC);
  }

  /** Of all cells now, ohm. */
  private ohm(): number {
    return this.cellOhm * resistanceFactor(this.charge) * temperatureFactor(this.celsius) * this.stated;
  }

  voltsAt(amps: number): number {
    const { rig, charge, slow } = this;
    return rig.cells * openCircuitVolts(rig.chemistry, charge) - slow - amps * (this.ohm() + rig.leadOhm);
  }

  draw(allAmps: number, amps: number, seconds: number): void {
    const { rig } = this;
    const slowOhm = this.cellOhm * SLOW_SAG_SHARE;
    const watts = amps * amps * this.ohm() + (slowOhm > 0 ? (this.slow * this.slow) / slowOhm : 0);
    const toAir = (this.celsius - this.airC) / rig.packThermal.toAir;
    this.charge -= (allAmps * seconds) / (3600 * rig.capacityAh);
    this.slow += ((amps * slowOhm - this.slow) / SLOW_SECONDS) * seconds;
    this.celsius += ((watts - toAir) / rig.packThermal.joulesPerK) * seconds;
  }
}
