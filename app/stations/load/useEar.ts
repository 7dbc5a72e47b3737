import type { HeardGroup } from '#core/ear/ear';
import { useCallback, useEffect, useEffectEvent, useRef, useState } from 'react';
import workletUrl from '../../workers/ear.worklet.ts?worker&url';

export type Listening = 'off' | 'asking' | 'on' | 'refused';

/** Browsers make voices clearer by default, and take tones for noise. */
const PLAIN_SOUND: MediaTrackConstraints = {
  echoCancellation: false,
  noiseSuppression: false,
  autoGainControl: false,
};

/**
 * Listens through the microphone, which is asked for only when listening is begun.
 * @param onHeard told of every group of notes
 */
export function useEar(onHeard: (group: HeardGroup) => void) {
  const [listening, setListening] = useState<Listening>('off');
  const quieten = useRef<() => void>(undefined);
  const heard = useEffectEvent(onHeard);

  const stop = useCallback((): void => {
    quieten.current?.();
    quieten.current = undefined;
    setListening('off');
  }, []);

  const [port, setPort] = useState<MessagePort>();
  useEffect(() => {
    if (!port) return;
    const onMessage = ({ data }: MessageEvent<HeardGroup>): void => heard(data);
    port.addEventListener('message', onMessage);
    port.start();
    return () => port.removeEventListener('message', onMessage);
  }, [port]);

  const isGone = useRef(false);
  const start = useCallback(async (): Promise<void> => {
    setListening('asking');
    const hasLeft = (): boolean => isGone.current;
    const context = new AudioContext();
    const close = (): void => {
      if (context.state !== 'closed') void context.close();
    };
    quieten.current = close;
    try {
      // Before the microphone is opened: what it hears first is not lost while the ear is still on its way.
      await context.audioWorklet.addModule(workletUrl);
      // The page was left meanwhile: nobody is asked for a microphone any more.
      if (hasLeft()) return;
      const stream = await navigator.mediaDevices.getUserMedia({ audio: PLAIN_SOUND });
      if (hasLeft()) {
        // The page was left while the browser asked: nobody would ever close the microphone again.
        for (const track of stream.getTracks()) track.stop();
        return;
      }
      quieten.current = () => {
        for (const track of stream.getTracks()) track.stop();
        close();
      };
      const ear = new AudioWorkletNode(context, 'ear', { numberOfOutputs: 0 });
      context.createMediaStreamSource(stream).connect(ear);
      setPort(ear.port);
      setListening('on');
    } catch {
      quieten.current();
      quieten.current = undefined;
      setListening('refused');
    }
  }, []);

  useEffect(() => {
    isGone.current = false;
    return () => {
      isGone.current = true;
      quieten.current?.();
    };
  }, []);
  return { listening, start, stop };
}
