/**
 * The brake chopper: the ESC shorts the windings for a share `strength` of every period, then lets the current run through its
 * diodes into the pack for the rest. Why 50 % at a low frequency brakes harder than 80 % at a high one when slow, and softer
 * when fast.
 *
 * A vector chopper in the rotor's frame, without fitted constants: the current of all three phases is one complex number.
 * What this leaves out: diode drops, dead time, iron loss, the single steps of commutation. Held against a three-phase
 * switching simulation of our own (`reference/brake.csv`).
 */
import { LEAST_INDUCTANCE, type MotorModel } from './motor';

/** What a braking motor does. */
export interface Braking {
  /** Current that makes the torque, A, ≥ 0. */
  amps: number;
  /** Mean current into the bus, A, ≥ 0. */
  returned: number;
}

type Winding = Pick<MotorModel, 'constant' | 'resistance' | 'inductance' | 'polePairs'>;

/** Phase voltage over the back-EMF between two phases, and bus voltage over its fundamental: six-step, sinusoidal back-EMF. */
const PHASE_EMF = Math.PI / (3 * Math.sqrt(3));
const FUNDAMENTAL = 2 / Math.PI;
/** From the torque's share of a phase current to the current of a motor driven by two phases; and to that of the bus. */
const TORQUE_SHARE = 1.5 * PHASE_EMF;
const RETURNED_SHARE = 3 / Math.PI;

/** Newton's rounds until the current returns to itself, and how well it has to, as a share of it. */
const MOST_ROUNDS = 12;
const PERIODIC = 1e-5;
/** Steps through the open part of a period: so many to its end, to a turn of the rotor, to the end of the current; never more. */
const STEPS_OPEN = 6;
const STEPS_A_TURN = 24;
const STEPS_TO_NOUGHT = 8;
const MOST_STEPS = 400;
/** A step never looks past zero: the last ones are taken at once. */
const LAST_STEPS = 2.5;
/** So little does a current turn while it falls that its direction counts as the same, rad. */
const TURNS_HARDLY = 0.02;
/** Of the current, what its derivative is tried with. */
const NUDGE = 1e-4;

/** One chopper at one speed and voltage, set up; one object is reused. */
class Chopper {
  private r = 0;
  private l = 0;
  private speed = 0;
  private emf = 0;
  private bus = 0;
  private shortedS = 0;
  private openS = 0;
  /** The current at the end of a period, and what it carried during it, A·s. */
  private endRe = 0;
  private endIm = 0;
  private torqueCharge = 0;
  private openCharge = 0;

  set(motor: Winding, strength: number, frequencyHz: number, shaftSpeed: number, volts: number): void {
    this.r = motor.resistance / 2;
    this.l = Math.max(motor.inductance, LEAST_INDUCTANCE) / 2;
    this.speed = motor.polePairs * shaftSpeed;
    this.emf = PHASE_EMF * motor.constant * shaftSpeed;
    this.bus = FUNDAMENTAL * volts;
    this.shortedS = strength / frequencyHz;
    this.openS = (1 - strength) / frequencyHz;
  }

  /** Finds the current that returns to itself after one period, and fills what it does. */
  solve(out: Braking): void {
    if (this.shortedS <= 0) {
      // A rectifier: the current stands still in the rotor's frame.
      const { re, im } = this.averaged();
      out.amps = TORQUE_SHARE * re;
      out.returned = RETURNED_SHARE * Math.hypot(re, im);
      return;
    }
    let re = 0;
    let im = 0;
    this.period(re, im);
    if (this.endRe !== 0 || this.endIm !== 0) {
      const guess = this.averaged();
      [re, im] = [guess.re, guess.im];
      for (let round = 0; round < MOST_ROUNDS; round += 1) {
        this.period(re, im);
        const [offRe, offIm] = [this.endRe - re, this.endIm - im];
        const size = Math.hypot(re, im);
        if (Math.hypot(offRe, offIm) <= PERIODIC * size) break;
        [re, im] = this.improved(re, im, offRe, offIm, Math.max(size * NUDGE, 1e-9));
      }
      this.period(re, im);
    }
    const periodS = this.shortedS + this.openS;
    out.amps = Math.max(0, (TORQUE_SHARE * this.torqueCharge) / periodS);
    out.returned = (RETURNED_SHARE * this.openCharge) / periodS;
  }

  /** Newton's step for a current that is off by so much after a period. */
  private improved(re: number, im: number, offRe: number, offIm: number, nudge: number): [number, number] {
    this.period(re + nudge, im);
    const [aRe, aIm] = [(this.endRe - re - offRe) / nudge - 1, (this.endIm - im - offIm) / nudge];
    this.period(re, im + nudge);
    const [bRe, bIm] = [(this.endRe - re - offRe) / nudge, (this.endIm - im - offIm) / nudge - 1];
    const whole = aRe * bIm - bRe * aIm;
    // One period further where Newton has no step: the chopper settles by itself, if slowly.
    if (Math.abs(whole) < 1e-12) return [re + offRe, im + offIm];
    return [re - (offRe * bIm - offIm * bRe) / whole, im - (aRe * offIm - aIm * offRe) / whole];
  }

  /** The current where the bus counts with its share of the period: (r·m + V1)² + (X·m)² = E_ph². */
  private averaged(): { re: number; im: number } {
    const share = this.openS / (this.shortedS + this.openS);
    const volts = share * this.bus;
    const x = this.speed * this.l;
    const a = this.r * this.r + x * x;
    const b = this.r * volts;
    const root = b * b - a * (volts * volts - this.emf * this.emf);
    if (root <= 0) return { re: 0, im: 0 };
    const size = Math.max(0, (Math.sqrt(root) - b) / a);
    const along = this.r * size + volts;
    const angle = -Math.atan2(x * size, along);
    return { re: size * Math.cos(angle), im: size * Math.sin(angle) };
  }

  /** Goes through one period from a current. */
  private period(re: number, im: number): void {
    this.torqueCharge = 0;
    this.openCharge = 0;
    this.shorted(re, im);
    this.open(this.endRe, this.endIm);
  }

  /** Exact: i → S + (i₀ − S)·e^(−(r/ℓ + jω)·t), S = E_ph/(r + jωℓ). */
  private shorted(re: number, im: number): void {
    const { r, l, speed, emf, shortedS } = this;
    const decay = r / l;
    const whole = r * r + speed * speed * l * l;
    const [sRe, sIm] = [(emf * r) / whole, (-emf * speed * l) / whole];
    const [dRe, dIm] = [re - sRe, im - sIm];
    const size = Math.exp(-decay * shortedS);
    const [eRe, eIm] = [size * Math.cos(speed * shortedS), -size * Math.sin(speed * shortedS)];
    this.endRe = sRe + dRe * eRe - dIm * eIm;
    this.endIm = sIm + dRe * eIm + dIm * eRe;
    // The real part of (i₀ − S)·(1 − e)/λ, λ = decay + j·speed.
    const [gRe, gIm] = [dRe * (1 - eRe) + dIm * eIm, dIm * (1 - eRe) - dRe * eIm];
    this.torqueCharge += sRe * shortedS + (gRe * decay + gIm * speed) / (decay * decay + speed * speed);
  }

  /** Runge and Kutta's fourth-order steps until the period or the current ends: ℓ·di/dt = −(r + jωℓ)·i + E_ph − V1·i/|i|. */
  private open(startRe: number, startIm: number): void {
    let [re, im] = [startRe, startIm];
    let leftS = this.openS;
    const turnS = this.speed > 0 ? (2 * Math.PI) / this.speed / STEPS_A_TURN : Infinity;
    while (leftS > 1e-15) {
      const size = Math.hypot(re, im);
      if (size < 1e-12 && this.emf <= this.bus) {
        [re, im] = [0, 0];
        break;
      }
      const noughtS = this.toNought(re, size);
      const least = this.openS / MOST_STEPS;
      if (noughtS <= leftS && (noughtS * this.speed < TURNS_HARDLY || noughtS < LAST_STEPS * least)) {
        this.fall(re, size, noughtS);
        [re, im] = [0, 0];
        if (this.emf <= this.bus) break;
        leftS -= noughtS;
        continue;
      }
      const wanted = Math.min(this.openS / STEPS_OPEN, turnS, noughtS / STEPS_TO_NOUGHT);
      const stepS = Math.min(leftS, Math.max(least, wanted));
      const { nextRe, nextIm, midRe, midIm } = this.step(re, im, stepS);
      const along = size > 0 ? (nextRe * re + nextIm * im) / size : Math.hypot(nextRe, nextIm);
      if (along <= 0) {
        // It ends within the step.
        const doneS = (stepS * size) / (size - along);
        this.torqueCharge += 0.5 * re * doneS;
        this.openCharge += 0.5 * size * doneS;
        [re, im] = [0, 0];
        if (this.emf <= this.bus) break;
      } else {
        const nextSize = Math.hypot(nextRe, nextIm);
        this.torqueCharge += ((re + 4 * midRe + nextRe) * stepS) / 6;
        this.openCharge += ((size + 4 * Math.hypot(midRe, midIm) + nextSize) * stepS) / 6;
        [re, im] = [nextRe, nextIm];
      }
      leftS -= stepS;
    }
    this.endRe = re;
    this.endIm = im;
  }

  /** How long a current falls to zero along its direction, s; Infinity where it does not. */
  private toNought(re: number, size: number): number {
    const against = this.bus - (size > 0 ? (this.emf * re) / size : this.emf);
    return against > 0 ? (this.l / this.r) * Math.log1p((this.r * size) / against) : Infinity;
  }

  /** Exact for a current that hardly turns meanwhile: from ℓ·da/dt = −r·a − against, integrated. */
  private fall(re: number, size: number, noughtS: number): void {
    const against = this.bus - (this.emf * re) / size;
    const charge = (this.l * size - against * noughtS) / this.r;
    this.openCharge += charge;
    this.torqueCharge += (charge * re) / size;
  }

  private step(re: number, im: number, h: number) {
    const [aRe, aIm] = this.slope(re, im);
    const [bRe, bIm] = this.slope(re + 0.5 * h * aRe, im + 0.5 * h * aIm);
    const [cRe, cIm] = this.slope(re + 0.5 * h * bRe, im + 0.5 * h * bIm);
    const [dRe, dIm] = this.slope(re + h * cRe, im + h * cIm);
    return {
      midRe: re + 0.25 * h * (bRe + cRe),
      midIm: im + 0.25 * h * (bIm + cIm),
      nextRe: re + (h / 6) * (aRe + 2 * bRe + 2 * cRe + dRe),
      nextIm: im + (h / 6) * (aIm + 2 * bIm + 2 * cIm + dIm),
    };
  }

  private slope(re: number, im: number): [number, number] {
    const { r, l, speed, emf, bus } = this;
    const size = Math.hypot(re, im);
    // From nothing, current sets in along the back-EMF.
    const [alongRe, alongIm] = size > 1e-12 ? [re / size, im / size] : [1, 0];
    return [
      (-r * re + speed * l * im + emf - bus * alongRe) / l,
      (-r * im - speed * l * re - bus * alongIm) / l,
    ];
  }
}

const chopper = new Chopper();

/**
 * The periodic state of the chopper.
 * @param strength shorted share of the period, 0 to 1
 * @param frequencyHz > 0
 * @param shaftSpeed rad/s, ≥ 0
 * @param volts of the bus
 */
export function chop(
  motor: Winding,
  strength: number,
  frequencyHz: number,
  shaftSpeed: number,
  volts: number,
  out: Braking,
): void {
  if (shaftSpeed <= 0) {
    out.amps = 0;
    out.returned = 0;
  } else if (strength >= 1) {
    out.amps = shortCircuit(motor, shaftSpeed);
    out.returned = 0;
  } else {
    chopper.set(motor, Math.max(0, strength), frequencyHz, shaftSpeed, volts);
    chopper.solve(out);
  }
}

/** Torque current with the windings shorted all the time, A: π²/9·(E/R)/(1 + (ω_e·L/R)²), strongest at ω_e = R/L. */
function shortCircuit({ constant, resistance, inductance, polePairs }: Winding, shaftSpeed: number): number {
  const ratio = (polePairs * shaftSpeed * inductance) / resistance;
  return (((Math.PI * Math.PI) / 9) * ((constant * shaftSpeed) / resistance)) / (1 + ratio * ratio);
}
