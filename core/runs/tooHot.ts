/** Which of the temperatures that were read ask for a change. */
import { HOT_CAN_C, NEAR_LIMIT_K } from '../advice/verdicts/heat';
import type { EscProfile } from '../esc/profile';
import type { Answers } from '../triage/triage';
import type { Reading } from './readings';

/** A pack above this is hot, °C. From memory: common advice for lithium cells. */
const HOT_PACK_C = 60;
/** Where a maker states no limit, °C. Common practice: people set alarms 20 to 30 °C below a limit of 100. */
const USUAL_ESC_LIMIT_C = 100;

/** Something that got hot: how it is said, and what the list of troubles asks about it. */
export interface Hot {
  words: string;
  answers: Answers;
}

/** What of these readings was too hot, the motor first. */
export function tooHot(readings: readonly Reading[], { limits }: Pick<EscProfile, 'limits'>): Hot[] {
  const most = {
    canCelsius: { celsius: HOT_CAN_C, name: 'The motor', answer: 'motor' },
    escCelsius: {
      celsius: (limits.temperatureLimitC ?? USUAL_ESC_LIMIT_C) - NEAR_LIMIT_K,
      name: 'The ESC',
      answer: 'esc',
    },
    packCelsius: { celsius: HOT_PACK_C, name: 'The pack', answer: 'pack' },
  } as const;
  return (Object.keys(most) as (keyof typeof most)[]).flatMap((kind): Hot[] => {
    const { celsius, name, answer } = most[kind];
    const read = readings.find((reading) => reading.kind === kind);
    if (read === undefined || read.value <= celsius) return [];
    return [{ words: `${name} got to ${Math.round(read.value)}\u00a0°C.`, answers: { what: answer } }];
  });
}
