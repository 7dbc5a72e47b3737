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
      'No pack connected. Mesh: a strip of paper between the teeth must come out creased, not torn. Turn the wheel once round by hand, then tighten the motor. If the pinion is out of mesh for safety, do this at the end.',
  }),
  spurTeeth: (to) => ({
    line: `Fit the spur with ${to} teeth.`,
    detail:
      'No pack connected. Same tooth size as the pinion. Set the mesh again: a strip of paper between the teeth must come out creased, not torn. Turn the wheel once round by hand, then tighten the motor.',
  }),
  propellerDiameterInches: (to) => propeller('diameter', to),
  propellerPitchInches: (to) => propeller('pitch', to),
  packCells: (to) => ({
    line: `Use the pack with ${to} ${to === 1 ? 'cell' : 'cells'} in series.`,
    detail:
      'Unplug the other one. Check the label: a lithium pack has one balance wire more than cells. Charged, not puffed, not cold, plug the right way round. Plug it in only when a step asks for power.',
  }),
  packCapacityMah: (to) => ({
    line: `Use the pack with ${to}\u00a0mAh.`,
    detail:
      'Unplug the other one. Strap it down as firmly and check the balance. Its resistance differs: measure it later on the Rig page. Plug it in only when a step asks for power.',
  }),
  forwardEndPointPercent: (to) => endPoint('throttle', to),
  brakeEndPointPercent: (to) => endPoint('brake', to),
};

const propeller = (dimension: string, to: number): HandStep => ({
  line: `Fit a propeller of ${to}\u00a0in ${dimension}.`,
  detail:
    'Unplug the pack first. Balanced, no nicks, tightened, printed side to the front. From now on stay out of its circle whenever the pack is in.',
});

const endPoint = (side: string, to: number): HandStep => ({
  line: `In the radio’s menu, set the ${side} end point to ${to}\u00a0%.`,
  detail:
    'Right model memory, throttle at rest. The ESC keeps its learned end points. Endpoints says afterwards whether to calibrate again. Calibrating would remove a wanted limit.',
});

/** The step that makes a change. */
export const handStep = ({ key, to }: HandChange): HandStep => STEPS[key](to);
