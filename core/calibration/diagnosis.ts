/** From what is seen at the throttle to the likeliest causes on this rig, each with the test that tells it apart. */
import type { EscProfile } from '../esc/profile';
import { limitingCompared } from '../radio/transfer';
import { restMicros, type LearnedRange, type ThrottleChannel, FULL_SIGNAL } from '../radio/pulse';
import { asymmetryOf, travelReport, type TravelReport } from '../radio/travel';
import type { Rig } from '../rig/rig';
import { formatNumber, percentOf } from '../units/format';
import { staleReason, type Calibration } from './calibration';
import { escNames, lastOf } from './escs';
import { matchTable, type MatchTable } from './matchTable';

export const SYMPTOMS = {
  doesNotArm: 'It does not arm: it beeps on and on',
  creeps: 'It creeps with the throttle at rest',
  startsLate: 'It starts late: dead travel first',
  neverFull: 'It never gives full',
  oneMotorLate: 'One motor is late or weaker than its twin',
  noReverse: 'Reverse will not engage',
  changesNothing: 'Calibrating changes nothing',
} as const;
export type SymptomId = keyof typeof SYMPTOMS;

export interface EndpointCause {
  id: string;
  what: string;
  /** What on this rig speaks for it; undefined where it is only usual. */
  evidence: string | undefined;
  /** The test that tells it from the others, and what it shows. */
  test: string;
}

export interface DiagnosisFacts {
  rig: Rig;
  profile: EscProfile;
  /** What the first ESC is believed to have learned; of all of them in `ranges`. */
  range: LearnedRange;
  ranges: readonly LearnedRange[];
  deadbandMicros: number;
  calibrations: readonly Calibration[];
  /** The label of the item that locks calibration now, where one does. */
  lockedBy: string | undefined;
  /** The share of full power that the ESC allows, 0 to 1. */
  forwardPower: number;
  hasReverse: boolean;
}

/**
 * The causes of a symptom, those with evidence on this rig first, then the usual ones in the order of how often they
 * are it (common practice).
 */
export function causesOf(symptom: SymptomId, facts: DiagnosisFacts): EndpointCause[] {
  const seen = look(facts);
  const causes = CAUSES[symptom].map(({ evidence, ...cause }) => ({ ...cause, evidence: evidence?.(seen) }));
  return [
    ...causes.filter((c) => c.evidence !== undefined),
    ...causes.filter((c) => c.evidence === undefined),
  ];
}

interface Seen extends DiagnosisFacts {
  channel: ThrottleChannel;
  travel: TravelReport;
  stale: string | undefined;
  match: MatchTable | undefined;
}

function look(facts: DiagnosisFacts): Seen {
  const { rig, profile, range, ranges, deadbandMicros, calibrations } = facts;
  const { channel } = rig;
  const last = lastOf(calibrations, 1);
  const names = escNames(rig);
  return {
    ...facts,
    channel,
    travel: travelReport(channel, range, deadbandMicros),
    stale: last ? staleReason(last, channel, profile.id, range) : 'it was never calibrated',
    match:
      ranges.length > 1
        ? matchTable(
            channel,
            ranges.map((one, place) => ({
              name: names[place]!,
              range: one,
              deadbandMicros,
              isKnown: lastOf(calibrations, place + 1) !== undefined,
            })),
          )
        : undefined,
  };
}

type CauseRule = Omit<EndpointCause, 'evidence'> & { evidence?: (seen: Seen) => string | undefined };

const when = (is: boolean, sentence: string): string | undefined => (is ? sentence : undefined);
const micros = (value: number): string => `${formatNumber(value, 0)} µs`;

const STALE: CauseRule = {
  id: 'stale',
  what: 'The ESC learned another radio',
  evidence: ({ stale }) => stale && `On this rig: ${stale}.`,
  test: 'Calibrate again. If the fault is gone, that was it.',
};

const NEUTRAL_OFF: CauseRule = {
  id: 'neutralOff',
  what: 'Neutral lies outside the deadband',
  evidence: ({ travel, deadbandMicros }) =>
    when(
      !travel.neutralInsideDeadband,
      `Neutral is off by ${micros(travel.neutralOffsetMicros)}, and the deadband takes ${micros(deadbandMicros)}.`,
    ),
  test: 'Click the trim one way, then the other. If it stops within a few clicks, neutral is off.',
};

const TRIMMED: CauseRule = {
  id: 'trimmed',
  what: 'Trim or sub-trim is not at zero',
  evidence: ({ channel }) =>
    when(
      channel.trimMicros !== 0 || channel.subTrimMicros !== 0,
      `Trim is ${micros(channel.trimMicros)}, sub-trim ${micros(channel.subTrimMicros)}.`,
    ),
  test: 'Set both to zero, and calibrate again.',
};

const REVERSED: CauseRule = {
  id: 'reversed',
  what: 'The throttle runs the wrong way',
  evidence: ({ travel }) =>
    when(travel.forward.deadShare === 1, 'As noted, forward on the radio is not forward for the ESC.'),
  test: 'Reverse the throttle on the radio. If it arms then, that was it. Calibrate again afterwards.',
};

const HOLD: CauseRule = {
  id: 'hold',
  what: 'Throttle hold or cut off is on at the radio',
  test: 'Watch the radio’s monitor while you move the throttle. If the bar does not move, a switch holds it.',
};

const LOCK: CauseRule = {
  id: 'lock',
  what: 'Calibrating is locked in the ESC',
  evidence: ({ lockedBy, profile }) =>
    lockedBy !== undefined
      ? `“${lockedBy}” locks it now.`
      : when(profile.calibration.family === 'none', 'This ESC has no calibration of its own.'),
  test: 'Read the lock back on Load. Unlock it there, calibrate, and lock it again.',
};

const JITTER: CauseRule = {
  id: 'jitter',
  what: 'The radio’s jitter is larger than the deadband',
  evidence: ({ channel, deadbandMicros }) =>
    channel.jitterMicros === null
      ? undefined
      : when(
          4 * channel.jitterMicros > deadbandMicros,
          `Four times the deviation of ${formatNumber(channel.jitterMicros, 1)} µs is more than ${micros(deadbandMicros)}.`,
        ),
  test: 'Record a few seconds of pulses with the throttle at rest, at Pulses.',
};

const CAUSES: Readonly<Record<SymptomId, readonly CauseRule[]>> = {
  doesNotArm: [
    NEUTRAL_OFF,
    REVERSED,
    STALE,
    HOLD,
    {
      id: 'noSignal',
      what: 'No signal reaches the ESC',
      test: 'Plug a servo into the throttle socket. If it does not follow the throttle either, it is the receiver, the pairing or the lead.',
    },
    {
      id: 'lead',
      what: 'The throttle lead is reversed or in another socket',
      test: 'Brown or black to negative; the socket marked for throttle.',
    },
  ],
  creeps: [
    NEUTRAL_OFF,
    TRIMMED,
    STALE,
    JITTER,
    {
      id: 'deadband',
      what: 'The deadband is narrow',
      evidence: ({ deadbandMicros }) =>
        when(deadbandMicros < 20, `It is ${micros(deadbandMicros)} each side.`),
      test: 'Set it one stop wider. If it stays still then, that was it.',
    },
  ],
  startsLate: [
    {
      id: 'learnedHigh',
      what: 'The learned low or neutral point is too high',
      evidence: ({ channel, range, deadbandMicros, travel }) =>
        when(
          travel.neutralOffsetMicros < -deadbandMicros / 2,
          `The radio rests at ${micros(restMicros(channel))}, the ESC has learned ${micros(range.neutralMicros)}${travel.forward.deadShare < 1 ? `: ${percentOf(travel.forward.deadShare)} of the travel is dead` : ''}.`,
        ),
      test: 'Bench test: note the pulse of the first movement. Calibrate, and note it again.',
    },
    STALE,
    {
      id: 'deadband',
      what: 'The deadband is wide',
      evidence: ({ deadbandMicros, travel }) =>
        when(
          travel.forward.deadShare > 0.12 && travel.forward.deadShare < 1 && travel.neutralInsideDeadband,
          `It is ${micros(deadbandMicros)} each side: ${percentOf(travel.forward.deadShare)} of the travel.`,
        ),
      test: 'Set it one stop narrower. The first movement must come earlier by as much.',
    },
    {
      id: 'curve',
      what: 'The radio’s curve is soft in the middle',
      evidence: ({ channel }) =>
        when(channel.expoPercent > 0, `Expo is at ${formatNumber(channel.expoPercent, 0)} %.`),
      test: 'Set the curve straight for a moment.',
    },
    {
      id: 'start',
      what: 'The motor needs more to break loose',
      test: 'If it starts with a jump and not a slow turn, raise the start force instead.',
    },
  ],
  neverFull: [
    {
      id: 'endPoint',
      what: 'The radio’s end point sends less than was learned',
      evidence: ({ travel }) =>
        when(
          travel.forward.largestSignal < FULL_SIGNAL,
          `The largest signal is ${percentOf(travel.forward.largestSignal)} of full.`,
        ),
      test: 'Raise the forward end point until the lamp shows full, then 5 to 10 % more.',
    },
    {
      id: 'power',
      what: 'The ESC itself limits power',
      evidence: ({ forwardPower }) =>
        when(forwardPower < 1, `Maximum power is at ${percentOf(forwardPower)}.`),
      test: 'If the lamp shows full, it is not the end points.',
    },
    {
      id: 'twice',
      what: 'Limited twice: at the radio and in the ESC',
      evidence: ({ channel, forwardPower, range, deadbandMicros }) => {
        if (channel.forwardEndPointPercent >= 100 || forwardPower >= 1) return undefined;
        const { atRadio } = limitingCompared(channel, range, deadbandMicros, forwardPower);
        return when(atRadio.topDuty < 1, 'Both are below 100 %, and they multiply.');
      },
      test: 'Put one of the two back to 100 %.',
    },
    STALE,
    {
      id: 'pack',
      what: 'The pack or the gearing gives no more',
      test: 'If the lamp shows full but it is slow, compare with the speed predicted on Tune.',
    },
  ],
  oneMotorLate: [
    {
      id: 'match',
      what: 'The ESCs have learned different ranges',
      evidence: ({ match }) => (match && match.redo.length > 0 ? match.sentence : undefined),
      test: 'Push the throttle slowly and note where each motor starts. You can hear more than 1 % difference.',
    },
    {
      id: 'trims',
      what: 'They were calibrated with different trims',
      evidence: ({ calibrations }) => {
        const trims = new Set(calibrations.map(({ channel }) => channel.trimMicros + channel.subTrimMicros));
        return when(trims.size > 1, 'The kept calibrations were done with different trims.');
      },
      test: 'Calibrate all of them again, one after the other, and touch nothing in between.',
    },
    {
      id: 'settings',
      what: 'They hold different settings',
      test: 'Swap the two ESCs. If the late side moves with them, it is the ESC. If not, it is the motor, its propeller or its wires.',
    },
    {
      id: 'mechanics',
      what: 'One motor, propeller or shaft turns harder',
      test: 'Power off. Turn both by hand and compare.',
    },
  ],
  noReverse: [
    {
      id: 'mode',
      what: 'The running mode has no reverse',
      evidence: ({ hasReverse }) => when(!hasReverse, 'As it is set now, this ESC only drives and brakes.'),
      test: 'Check the running mode on Tune.',
    },
    {
      id: 'brakeTravel',
      what: 'The brake side does not reach far enough',
      evidence: ({ travel }) =>
        travel.brake &&
        when(
          travel.brake.largestSignal < 0.9 || Math.abs(asymmetryOf(travel)) > 0.2,
          `Its largest signal is ${percentOf(travel.brake.largestSignal)} of full.`,
        ),
      test: 'Raise the brake end point to 100 % and try again.',
    },
    {
      id: 'entry',
      what: 'It needs the brake twice, or a standstill first',
      test: 'Brake, let go for a second, brake again. Many ESCs take only the second push as reverse.',
    },
    STALE,
  ],
  changesNothing: [
    LOCK,
    HOLD,
    {
      id: 'bus',
      what: 'The throttle comes by a digital bus, whose range is fixed',
      evidence: ({ profile }) =>
        when(
          profile.calibration.family === 'none' && profile.calibration.reason === 'digital',
          'This ESC takes its range from a link or a flight controller.',
        ),
      test: 'Set the range there, and check first movement and full here.',
    },
    {
      id: 'window',
      what: 'A window was missed, and the ESC kept what it had',
      test: 'Practise on the simulated ESC: it has the same time windows.',
    },
  ],
};
