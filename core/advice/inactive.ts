import { valueOf, type EscProfile, type StopByItem } from '../esc/profile';
import { hasBrakeStage } from '../physics/escChain';
import type { SettingId } from '../settings/vocabulary';

/**
 * Why a setting does nothing with these values, in a sentence; undefined where it works.
 * Common practice.
 */
export function inactiveReason(
  profile: EscProfile,
  stops: StopByItem,
  setting: SettingId,
): string | undefined {
  const mode = valueOf(profile, stops, 'runningMode');
  if (mode?.kind !== 'choice') return undefined;
  const reverses = mode.choice === 'forwardBrakeReverse' || mode.choice === 'forwardReverse';
  if (setting === 'reversePower' && !reverses) return 'Does nothing: this running mode has no reverse.';
  if (setting === 'brakeStrength' && !hasBrakeStage(profile, stops)) {
    return 'Does nothing: in this running mode drag brake does the braking.';
  }
  return undefined;
}
