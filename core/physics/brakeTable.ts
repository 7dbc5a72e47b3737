/**
 * The brake chopper, tabulated: a point of it takes some 20 µs, and a run asks for thousands. A node is worked out when it is
 * first needed; in between lies a straight line of what is braked for each bit of speed, which tends to a constant at rest.
 */
import { chop, type Braking } from './brakeChopper';
import type { MotorModel } from './motor';

/** Strengths that change lie between nodes so far apart; one that stays has nodes of its own. */
const STRENGTH_STEPS = 160;
/** Strengths that stay are told apart to a millionth. */
const EXACT_STEPS = 1e6;
/** More than a page compares; with the tables, some 40 MB at the very most. */
const MOST_COLUMNS = 500;
/** Volts lie on a scale that grows by a twelfth. */
const VOLTS_STEP = Math.log(13 / 12);
/** Speeds lie closer the slower they are: so many nodes to that of this back-EMF, V. */
const SPEED_STEPS = 80;
const SPEED_VOLTS = 10;
const MOST_NODES = 400;
/** Faster is not tabulated. */
const MOST_PLACE = MOST_NODES * 0.9;
/** Rounds of settling the bus voltage against the current sent back, and the share of the voltage at which it has. */
const BUS_ROUNDS = 6;
const SETTLED = 1e-4;
/** Of motors with a frequency each. */
const MOST_TABLES = 12;

/** At one strength and voltage, by speed: amperes for each rad/s, NaN where nobody has asked yet. */
interface Column {
  strength: number;
  volts: number;
  amps: Float64Array;
  returned: Float64Array;
}

export class BrakeTable {
  private readonly columns = new Map<number, Column>();
  private readonly node: Braking = { amps: 0, returned: 0 };
  private readonly motor: MotorModel;
  private readonly frequencyHz: number;
  private readonly fastest: number;

  constructor(motor: MotorModel, frequencyHz: number) {
    this.motor = motor;
    this.frequencyHz = frequencyHz;
    this.fastest = SPEED_VOLTS / motor.constant;
  }

  /**
   * What a brake of a strength does on a pack: the current that it sends back raises the bus through the pack's own resistance.
   * @param strength 0 to 1
   * @param stays whether it is the same over the run
   * @param shaftSpeed rad/s, ≥ 0
   * @param openVolts of the whole pack
   * @param packOhm pack and leads
   */
  onPack(
    strength: number,
    stays: boolean,
    shaftSpeed: number,
    openVolts: number,
    packOhm: number,
    out: Braking,
  ): void {
    if (shaftSpeed <= 0 || strength >= 1) {
      chop(this.motor, strength, this.frequencyHz, shaftSpeed, openVolts, out);
      return;
    }
    this.at(strength, stays, shaftSpeed, openVolts, out);
    // Secant steps to the voltage at which the bus is raised by just what then comes back.
    let [before, offBefore] = [openVolts, -out.returned * packOhm];
    let volts = openVolts - offBefore;
    for (let round = 0; round < BUS_ROUNDS && Math.abs(offBefore) > SETTLED * openVolts; round += 1) {
      this.at(strength, stays, shaftSpeed, volts, out);
      const off = volts - openVolts - out.returned * packOhm;
      const slope = (off - offBefore) / (volts - before);
      [before, offBefore] = [volts, off];
      const next = slope > 0 ? volts - off / slope : openVolts + out.returned * packOhm;
      // What comes back never lowers the bus.
      volts = Math.max(openVolts, next);
    }
  }

  private at(strength: number, stays: boolean, shaftSpeed: number, volts: number, out: Braking): void {
    const speedPlace = SPEED_STEPS * Math.sqrt(shaftSpeed / this.fastest);
    if (strength <= 0 || speedPlace >= MOST_PLACE) {
      chop(this.motor, strength, this.frequencyHz, shaftSpeed, volts, out);
      return;
    }
    out.amps = 0;
    out.returned = 0;
    if (stays) {
      this.addStrength(strength, 1, shaftSpeed, volts, out);
      return;
    }
    const strengthPlace = strength * STRENGTH_STEPS;
    const below = Math.floor(strengthPlace + 1e-9);
    const share = Math.max(0, strengthPlace - below);
    this.addStrength(below / STRENGTH_STEPS, 1 - share, shaftSpeed, volts, out);
    if (share > 1e-9) this.addStrength((below + 1) / STRENGTH_STEPS, share, shaftSpeed, volts, out);
  }

  private addStrength(
    strength: number,
    weight: number,
    shaftSpeed: number,
    volts: number,
    out: Braking,
  ): void {
    const voltsPlace = Math.log(Math.max(volts, 0.01)) / VOLTS_STEP;
    const below = Math.floor(voltsPlace);
    const share = voltsPlace - below;
    this.addFrom(this.column(strength, below), weight * (1 - share), shaftSpeed, volts, out);
    this.addFrom(this.column(strength, below + 1), weight * share, shaftSpeed, volts, out);
  }

  private column(strength: number, voltsStep: number): Column {
    const key = Math.round(strength * EXACT_STEPS) * 1000 + voltsStep;
    let column = this.columns.get(key);
    if (!column) {
      // What is asked for now is made again at once; what was asked for long ago is not missed.
      if (this.columns.size >= MOST_COLUMNS) this.columns.clear();
      column = {
        strength,
        volts: Math.exp(voltsStep * VOLTS_STEP),
        amps: new Float64Array(MOST_NODES).fill(NaN),
        returned: new Float64Array(MOST_NODES).fill(NaN),
      };
      this.columns.set(key, column);
    }
    return column;
  }

  /**
   * At another voltage the same happens at a speed that is as much another, with currents as much larger, but for the
   * reactance: so the speed at which current begins to flow back lies where it is.
   */
  private addFrom(column: Column, weight: number, shaftSpeed: number, volts: number, out: Braking): void {
    const place = SPEED_STEPS * Math.sqrt((shaftSpeed * column.volts) / volts / this.fastest);
    const below = Math.floor(place);
    const share = place - below;
    this.ask(column, below);
    this.ask(column, below + 1);
    const between = (list: Float64Array): number => list[below]! + share * (list[below + 1]! - list[below]!);
    out.amps += weight * shaftSpeed * between(column.amps);
    out.returned += weight * shaftSpeed * between(column.returned);
  }

  private ask(column: Column, place: number): void {
    if (!Number.isNaN(column.amps[place]!)) return;
    // At rest, as it is just above.
    const share = Math.max(place, 0.5) / SPEED_STEPS;
    const shaftSpeed = this.fastest * share * share;
    chop(this.motor, column.strength, this.frequencyHz, shaftSpeed, column.volts, this.node);
    column.amps[place] = this.node.amps / shaftSpeed;
    column.returned[place] = this.node.returned / shaftSpeed;
  }
}

const tables = new Map<string, BrakeTable>();
/** A drill asks for the same one over and over. */
let last: { motor: MotorModel; frequencyHz: number; table: BrakeTable } | undefined;

/** The table of a motor at a brake frequency; the same one for the same numbers. */
export function brakeTableOf(motor: MotorModel, frequencyHz: number): BrakeTable {
  if (motor === last?.motor && frequencyHz === last.frequencyHz) return last.table;
  const { constant, resistance, inductance, polePairs } = motor;
  const key = [constant, resistance, inductance, polePairs, frequencyHz].join(' ');
  let table = tables.get(key);
  if (!table) {
    // The oldest makes room.
    if (tables.size >= MOST_TABLES) tables.delete(tables.keys().next().value!);
    table = new BrakeTable(motor, frequencyHz);
    tables.set(key, table);
  }
  last = { motor, frequencyHz, table };
  return table;
}
