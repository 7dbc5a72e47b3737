/** What a hand does on the model or its radio, in words. Common practice. */
import type { HandChange, HandValueKey } from '../rig/handValues';

export interface HandStep {
  /** What to do, in a line that can be read from a metre away. */
  line: string;
  /** How, and what to mind. */
  detail: string;
}

const STEPS: Readonly<Record<HandValueKey, (to: number) => HandStep>> = {
  pinionTeeth: (to) => ({
    line: `Fit the pinion with ${to} teeth.`,
    detail:
      'No pack connected. Set the mesh so that a strip of paper between the teeth comes out creased and not torn, turn the wheel once all the way round by hand, tighten the motor. If the model is made safe with its pinion out of mesh, leave it out until the end.',
  }),
  packCells: (to) => ({
    line: `Take the pack with ${to} ${to === 1 ? 'cell' : 'cells'} in series.`,
    detail:
      'The other one unplugged. Read its label; a lithium pack has one balance wire more than cells. Not puffed, not cold, charged; its plug the right way round. Plug it in only when the next step asks for power.',
  }),
  packCapacityMah: (to) => ({
    line: `Take the pack with ${to}\u00a0mAh.`,
    detail:
      'The other one unplugged. It has to be strapped down as firmly, and the model balanced. Its resistance is another: measure it under Rig when there is time. Plug it in only when the next step asks for power.',
  }),
  forwardEndPointPercent: (to) => endPoint('throttle', to),
  brakeEndPointPercent: (to) => endPoint('brake', to),
};

const endPoint = (side: string, to: number): HandStep => ({
  line: `In the radio’s menu, set the ${side} end point to ${to}\u00a0%.`,
  detail:
    'The right model memory, throttle at rest. The ESC keeps the ends that it has learned: Endpoints says afterwards whether it has to be calibrated again. That would take a limit away that is meant to be one.',
});

/** The step that makes a change. */
export const handStep = ({ key, to }: HandChange): HandStep => STEPS[key](to);
