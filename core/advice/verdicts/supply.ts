/** Pack, cutoff and BEC. Limits: common practice unless said otherwise. */
import { itemForSetting, valueOf } from '../../esc/profile';
import type { Chemistry } from '../../physics/pack';
import { becWatts, slamAt } from '../../physics/supplyBus';
import { resolveRig } from '../../rig/resolve';
import { weakestLoad } from '../../rig/busLoads';
import { cutoffVoltsPerCell } from '../../settings/cutoff';
import { withUnit } from '../../units/format';
import { SANE_CUTOFF } from '../saneCutoff';
import {
  amountOf,
  choiceOf,
  highestAtMost,
  moveTo,
  moveToChoice,
  moveToSaneCutoff,
  onPurpose,
  type Judge,
  type Situation,
  type Verdict,
} from './verdict';

export function packAgainstEsc({ rig, profile }: Situation): Verdict | undefined {
  const { cells } = rig.pack;
  const { minCells, maxCells } = profile.limits;
  if (cells >= minCells && cells <= maxCells) return undefined;
  const tooMany = cells > maxCells;
  return {
    id: 'packAgainstEsc',
    grade: 'hazard',
    setting: undefined,
    title: tooMany ? 'This pack would destroy the ESC.' : 'This pack is too small for the ESC.',
    sentence: `The pack has ${cells} cells; ${profile.name} takes ${minCells} to ${maxCells}. ${tooMany ? 'Do not plug it in.' : 'The ESC may not start, or may use a wrong cutoff.'}`,
    remedies: [{ kind: 'station', label: 'Correct pack or ESC', station: 'rig' }],
  };
}

export function cutoffOutOfRange(situation: Situation): Verdict | undefined {
  const { rig, profile, stops } = situation;
  const value = valueOf(profile, stops, 'cutoff');
  const item = itemForSetting(profile, 'cutoff');
  if (!value || !item) return undefined;
  const { cells, chemistry } = rig.pack;
  const { least, most } = SANE_CUTOFF[chemistry];
  const remedies = moveToSaneCutoff(situation);
  if (value.kind === 'off') {
    if (rig.vehicleClass === 'multirotor') return WARNED_BY_ITS_CONTROLLER;
    return {
      id: 'cutoffOff',
      grade: onPurpose(situation, 'cutoff', 'off') ? 'note' : 'caution',
      setting: 'cutoff',
      title: 'Nothing protects the cells.',
      sentence:
        'The cutoff is off: the ESC drives until the pack is ruined. Some switch it off for a final. Put it back the same day.',
      remedies,
    };
  }
  const volts = cutoffVoltsPerCell(value, cells) ?? 0;
  if (volts >= least && volts <= most) return undefined;
  const stated =
    value.kind === 'packVolts'
      ? `${withUnit(value.value, 'V', 2)} for the whole pack is ${withUnit(volts, 'V', 2)} per cell on ${cells} cells`
      : `${withUnit(volts, 'V', 2)} per cell`;
  return {
    id: 'cutoffOutOfRange',
    grade: 'hazard',
    setting: 'cutoff',
    title: volts < least ? 'This cutoff would ruin the pack.' : 'This cutoff would stop the model at once.',
    sentence: `${stated}; sound for this chemistry is ${least} to ${most} V per cell. ${remedies.length > 0 ? 'This often means a pack total typed as volts per cell, or the reverse.' : `None of its stops is right for ${cells} cells. Check what they mean, or use a pack they are made for.`}`,
    remedies,
  };
}

export function becAboveRating({ rig, profile, stops }: Situation): Verdict | undefined {
  const value = valueOf(profile, stops, 'becVolts');
  const item = itemForSetting(profile, 'becVolts');
  const weakest = weakestLoad(rig.busLoads);
  if (value?.kind !== 'number' || !item || !weakest || value.value <= weakest.maxVolts) return undefined;
  const allowed = highestAtMost(item, weakest.maxVolts);
  return {
    id: 'becAboveRating',
    grade: 'hazard',
    setting: 'becVolts',
    title: `${withUnit(value.value, 'V', 1)} is more than the ${weakest.name} may have.`,
    sentence: `The lowest rating on the bus counts: ${weakest.name} is rated to ${withUnit(weakest.maxVolts, 'V', 1)}. Above it, servos and receivers burn, sometimes while driving.`,
    remedies: [...moveTo(item, allowed), { kind: 'station', label: 'Correct the rating', station: 'rig' }],
  };
}

/** A motor that stops in the air ends the flight: there, off is what is usual. */
const WARNED_BY_ITS_CONTROLLER: Verdict = {
  id: 'cutoffOff',
  grade: 'note',
  setting: 'cutoff',
  title: 'The flight controller has to warn.',
  sentence:
    'The cutoff is off, as is usual in the air. Set the voltage warning of the flight controller. Land at once when it comes.',
  remedies: [],
};

/** An ESC that is told another number of cells cuts at another voltage. */
export const cellCountWrong: Judge = (situation) => {
  const counted = choiceOf(situation, 'cellCount');
  const { cells } = situation.rig.pack;
  if (counted === undefined || counted === 'auto' || Number(counted) === cells) return undefined;
  const cutoff = amountOf(situation, 'cutoff');
  const real = ((cutoff ?? 0) * Number(counted)) / cells;
  return {
    id: 'cellCountWrong',
    // A cutoff that is off cuts at no voltage, right or wrong.
    grade: cutoff ? 'hazard' : 'caution',
    setting: 'cellCount',
    title: `The ESC is set to ${counted} cells; the pack has ${cells}.`,
    sentence: !cutoff
      ? `It does not matter while the cutoff is off. Switched on, the cutoff would be for ${counted} cells.`
      : Number(counted) < cells
        ? `A cutoff of ${withUnit(cutoff, 'V', 2)} a cell for ${counted} cells leaves each of ${cells} with ${withUnit(real, 'V', 2)}: the pack would be ruined.`
        : `A cutoff of ${withUnit(cutoff, 'V', 2)} a cell for ${counted} cells is ${withUnit(real, 'V', 2)} for each of ${cells}: it would stop at once.`,
    remedies: [
      ...moveToChoice(situation, 'cellCount', String(cells)),
      { kind: 'station', label: 'Correct the pack', station: 'rig' },
    ],
  };
};

/** Six cells at 3.50 V rest at 21.0 V, exactly a full five. */
export const cellCountGuessed: Judge = (situation) => {
  const { cells } = situation.rig.pack;
  const remedies = moveToChoice(situation, 'cellCount', String(cells));
  if (choiceOf(situation, 'cellCount') !== 'auto' || remedies.length === 0) return undefined;
  return {
    id: 'cellCountGuessed',
    grade: 'note',
    setting: 'cellCount',
    title: 'The ESC counts the cells by itself.',
    sentence: `A part-used pack can be counted as one with fewer cells and then run too low. If it always has ${cells}, set that.`,
    remedies,
  };
};

/** Chemistries that an ESC may be told for a pack. */
const FITS: Record<Chemistry, readonly string[]> = {
  lipo: ['lipo', 'liion', 'auto'],
  lihv: ['lihv', 'lipo', 'auto'],
  life: ['life', 'auto'],
  nimh: ['nimh', 'auto'],
};

export const chemistryWrong: Judge = (situation) => {
  const told = choiceOf(situation, 'chemistry');
  const { chemistry } = situation.rig.pack;
  if (told === undefined || FITS[chemistry].includes(told)) return undefined;
  return {
    id: 'chemistryWrong',
    grade: 'hazard',
    setting: 'chemistry',
    title: 'The ESC is set for another kind of pack.',
    sentence: 'The cutoff is then wrong for these cells: it ruins them or stops at once.',
    remedies: [
      ...moveToChoice(situation, 'chemistry', chemistry),
      { kind: 'station', label: 'Correct the pack', station: 'rig' },
    ],
  };
};

/** For how long a BEC may be asked for more than its continuous current is not its owner's to find out. */
export const becOverloaded: Judge = (situation) => {
  const { rig, profile } = situation;
  const { bus } = resolveRig(rig, profile);
  const volts = bus.externalVolts ?? amountOf(situation, 'becVolts') ?? 0;
  if (volts <= 0 || bus.continuousAmps <= 0) return undefined;
  const moving = (bus.movingAmps * volts) / 6;
  if (moving <= bus.continuousAmps) return undefined;
  return {
    id: 'becOverloaded',
    grade: 'caution',
    setting: 'becVolts',
    title: 'The servos can ask for more than the BEC gives.',
    sentence: `Moving together they draw ${withUnit(moving, 'A', 1)}. It gives ${withUnit(bus.continuousAmps, 'A', 1)}, and the bus drops to ${withUnit(slamAt(bus, volts, SLAMMED_S).volts, 'V', 1)}. A brown-out looks like a low-battery cutoff. ${bus.externalVolts === undefined ? 'Use an external BEC. Isolate the red wire of the ESC’s throttle lead, or follow its maker.' : 'Your external BEC is too small. Use a stronger one or fewer servos.'}`,
    remedies: [{ kind: 'station', label: 'Check what is on the bus', station: 'rig' }],
  };
};
/** In a slam, when everything still moves and the burst is over, s. */
const SLAMMED_S = 1.6;

/** A linear BEC can get rid of about so much, W. From memory. */
const LINEAR_BEC_WATTS = 6;

export const linearBecHot: Judge = (situation) => {
  const { rig, profile } = situation;
  const { bus, openVolts } = resolveRig(rig, profile);
  const volts = amountOf(situation, 'becVolts') ?? 0;
  const watts = bus.isLinear ? becWatts(bus, volts, openVolts) : 0;
  if (watts <= LINEAR_BEC_WATTS) return undefined;
  return {
    id: 'linearBecHot',
    grade: 'caution',
    setting: 'becVolts',
    title: 'This BEC gets hot on this pack.',
    sentence: `It is linear: from ${withUnit(openVolts, 'V', 1)} down to ${withUnit(volts, 'V', 1)} it turns ${withUnit(watts, 'W', 0)} into heat. It takes about ${LINEAR_BEC_WATTS} W.`,
    remedies: [{ kind: 'station', label: 'Check what is on the bus', station: 'rig' }],
  };
};
