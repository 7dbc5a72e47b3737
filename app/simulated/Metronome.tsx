import { useEffect, useState } from 'react';
import { savePreferences, usePreferences } from '../preferences/usePreferences';
import { TickBox } from '../ui/TickBox';
import { playTick } from './sound';

/** A beat to press by: slow enough for a stiff key, fast enough not to run into a time-out. From memory. */
const BEAT_MS = 800;
/** Holds are counted in seconds. */
const SECOND_MS = 1000;

interface Props {
  /** Whether keys are pressed to it; else a hold is counted by it. */
  presses: boolean;
  /** Against real time: the seconds of a slow ESC are long. */
  speed: number;
}

/**
 * A beat to press keys or count a hold by, heard and seen. Whether it is wanted is a preference: between two steps that have
 * one, the guide may show something else.
 */
export function Metronome({ presses, speed }: Props) {
  const preferences = usePreferences();
  const isOn = preferences.beat;
  const [beat, setBeat] = useState(0);
  useEffect(() => {
    if (!isOn) return;
    const timer = setInterval(
      () => {
        setBeat((before) => before + 1);
        playTick();
      },
      presses ? BEAT_MS : SECOND_MS / speed,
    );
    return () => clearInterval(timer);
  }, [isOn, presses, speed]);
  return (
    <TickBox
      on={isOn}
      onChange={(wanted) => savePreferences({ ...preferences, beat: wanted })}
      className="mt-3"
    >
      {presses ? 'beat to press by' : 'tick the seconds'}
      {isOn && (
        <span
          aria-hidden="true"
          className={`size-5 rounded-full border-3 border-draft ${beat % 2 === 0 ? '' : 'bg-draft'}`}
        />
      )}
    </TickBox>
  );
}
