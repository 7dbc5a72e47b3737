/** The causes of each trouble, the most usual first. */
import type { CauseRule } from '../cause';
import type { TroubleId } from '../symptoms';
import { SLOWING } from './slowing';
import { PULLING } from './pulling';
import { SUPPLY } from './supply';
import { DRIVELINE } from './driveline';

export const CAUSES: Readonly<Record<TroubleId, readonly CauseRule[]>> = {
  ...SLOWING,
  ...PULLING,
  ...SUPPLY,
  ...DRIVELINE,
  // What is wrong with the throttle itself is told apart at Endpoints.
  willNotArm: [],
  oneMotorLate: [],
};
