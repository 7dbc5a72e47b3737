import type { Calibration, PulseSource } from '#core/calibration/calibration';

/** How a calibration is worked: on what, and what sends the pulses. */
export interface Occasion {
  how: Exclude<Calibration['how'], 'checkedOnly'>;
  source: PulseSource;
}

/** What a guide needs, whichever ESC is worked. */
export interface GuideProps {
  channel: Calibration['channel'];
  source: PulseSource;
  precaution: string;
  onDone: () => void;
  onStop: () => void;
}
