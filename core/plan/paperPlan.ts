/** A plan as it stands on paper, for a helper who sees neither screen nor reasons. */
import type { HandMedium } from '../esc/media';
import { itemById, stopById, type EscProfile } from '../esc/profile';
import type { ThrottleChannel } from '../radio/pulse';
import type { HeldStops } from '../sheet/evidence';
import { countQuestion, instructionFor, shortLine } from './instruction';
import type { PlannedLeg } from './loadPlan';
import { legTitle } from './loadSession';

export interface PaperStep {
  /** What to do, in a line. */
  line: string;
  /** What is seen and heard then. */
  answer: string;
}

export interface PaperLeg {
  title: string;
  steps: PaperStep[];
  /** What to look at in the end, and what it must be; undefined where only storing is meant. */
  countBack: string | undefined;
}

/** The legs of a plan in words. @param held what the ESC is believed to hold before */
export function planOnPaper(
  profile: EscProfile,
  channel: ThrottleChannel,
  held: HeldStops,
  planned: readonly PlannedLeg[],
  medium: HandMedium,
): PaperLeg[] {
  return planned.map(({ leg, gestures }) => {
    const item = itemById(profile, leg.itemId);
    const stop = stopById(item, leg.stopId);
    return {
      title: legTitle(profile, held, leg),
      steps: gestures.map((gesture) => ({
        line: shortLine(profile, channel, gesture, medium),
        answer: instructionFor(profile, channel, gesture, medium).detail,
      })),
      countBack:
        leg.purpose === 'show'
          ? `${countQuestion(medium)} It must be ${stop.number}: “${stop.label}”.`
          : undefined,
    };
  });
}
