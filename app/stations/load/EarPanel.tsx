import { judge, type Judged } from '#core/ear/judge';
import type { Notes } from '#core/esc/media';
import type { EscProfile } from '#core/esc/profile';
import type { Gesture } from '#core/plan/gestures';
import { lettersOf } from '#core/procedure/sound';
import { Mic, MicOff } from 'lucide-react';
import { useState } from 'react';
import { NoteStrip } from '../../simulated/ToneStrip';
import { Button } from '../../ui/Button';
import { useEar } from './useEar';

interface Props {
  profile: EscProfile;
  /** The step whose answer is listened for. */
  due: Gesture | undefined;
  onAnswered: () => void;
}

/** Listens to the ESC: says what it said, and goes on when it was the answer to the step. */
export function EarPanel({ profile, due, onAnswered }: Props) {
  const [last, setLast] = useState<Judged & { notes: Notes; isTime: boolean }>();
  const { listening, start, stop } = useEar(({ notes }) => {
    const judged = judge(profile, due?.observed ?? [], notes);
    const isTime = due?.kind === 'stick' && due.during?.notes === notes;
    setLast({ ...judged, notes, isTime });
    if (judged.kind === 'answer') onAnswered();
  });
  const isSilent = due !== undefined && !due.observed.some((cue) => lettersOf(cue) !== '');
  return (
    <div className="mt-4 border-t border-rule pt-3" data-testid="ear">
      {listening === 'on' ? (
        <Button look="quiet" onClick={stop}>
          <MicOff className="size-5" aria-hidden="true" /> Stop listening
        </Button>
      ) : (
        <Button look="quiet" disabled={listening === 'asking'} onClick={() => void start()}>
          <Mic className="size-5" aria-hidden="true" /> Listen to it
        </Button>
      )}
      {listening === 'off' && (
        <p className="text-sm text-muted">
          Uses the microphone. Nothing is recorded or sent. Switch the ESC on afterwards: its first two notes
          show which one is low.
        </p>
      )}
      {listening === 'refused' && (
        <p className="text-sm text-caution" role="alert">
          The browser allows no microphone. Press the space bar when you hear the sound.
        </p>
      )}
      {listening === 'on' && (
        <div className="mt-2" aria-live="polite">
          {last ? <Heard {...last} /> : <p className="text-muted">Listening.</p>}
          {isSilent && (
            <p className="mt-1 text-sm text-muted">
              This step has no sound. Press the space bar when it is done.
            </p>
          )}
        </div>
      )}
    </div>
  );
}

function Heard({ kind, words, notes, isTime }: Judged & { notes: Notes; isTime: boolean }) {
  return (
    <>
      <NoteStrip notes={notes} className="h-10" />
      <p className={`mt-1 font-bold ${kind === 'unexpected' ? 'text-caution' : ''}`}>
        {isTime ? 'Now. ' : ''}
        {SAID[kind]} {words}.
      </p>
    </>
  );
}

const SAID: Readonly<Record<Judged['kind'], string>> = {
  answer: 'Heard:',
  underway: 'Heard:',
  unexpected: 'Not the sound of this step:',
  unknown: 'Heard',
};
