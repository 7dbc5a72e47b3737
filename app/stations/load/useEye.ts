import { CELLS, SIDE, type Picture } from '#core/eye/picture';
import type { SeenGroup, Steadiness } from '#core/eye/eye';
import { useCallback, useEffect, useEffectEvent, useRef, useState } from 'react';
import type { SeenNow } from '../../workers/eye.worker';
import EyeWorker from '../../workers/eye.worker?worker';

export type Looking = 'off' | 'asking' | 'on' | 'refused';

/** The part of the picture that is looked at: a square in its middle, of its shorter side. */
export const LOOKED_AT = 0.6;

/**
 * Looks through the camera, which is asked for only when looking is begun.
 * @param onSeen told of every group of flashes; its times are those of `performance.now()`
 */
export function useEye(onSeen: (group: SeenGroup) => void) {
  /** Shows what is looked at. */
  const video = useRef<HTMLVideoElement>(null);
  const [looking, setLooking] = useState<Looking>('off');
  const [steadiness, setSteadiness] = useState<Steadiness>('moving');
  const close = useRef<() => void>(undefined);
  const isGone = useRef(false);
  const seen = useEffectEvent(onSeen);

  const stop = useCallback((): void => {
    close.current?.();
    close.current = undefined;
    setLooking('off');
  }, []);

  const [worker, setWorker] = useState<Worker>();
  useEffect(() => {
    if (!worker) return undefined;
    const onMessage = ({ data }: MessageEvent<SeenNow>): void => {
      setSteadiness(data.steadiness);
      if (data.group) seen(data.group);
    };
    worker.addEventListener('message', onMessage);
    return () => worker.removeEventListener('message', onMessage);
  }, [worker]);

  const start = useCallback(async (): Promise<void> => {
    setLooking('asking');
    try {
      const stream = await navigator.mediaDevices.getUserMedia({
        audio: false,
        video: {
          facingMode: 'environment',
          frameRate: { ideal: 30 },
          width: { ideal: 640 },
          height: { ideal: 480 },
        },
      });
      const shown = video.current;
      if (isGone.current || !shown) {
        for (const track of stream.getTracks()) track.stop();
        return;
      }
      const eye = new EyeWorker();
      // Where the phone is too slow, pictures are left out: they must not pile up.
      let isBusy = false;
      eye.addEventListener('message', () => {
        isBusy = false;
      });
      const stopPictures = takePictures(shown, (picture) => {
        if (isBusy) return;
        isBusy = true;
        eye.postMessage(picture, [picture.rgb.buffer]);
      });
      close.current = () => {
        stopPictures();
        eye.terminate();
        shown.srcObject = null;
        for (const track of stream.getTracks()) track.stop();
      };
      shown.srcObject = stream;
      await shown.play();
      setWorker(eye);
      setLooking('on');
    } catch {
      close.current?.();
      close.current = undefined;
      setLooking('refused');
    }
  }, []);

  useEffect(() => {
    isGone.current = false;
    return () => {
      isGone.current = true;
      close.current?.();
    };
  }, []);
  return { video, looking, steadiness, start, stop };
}

/** Makes every picture of a camera small. @returns how to stop */
function takePictures(video: HTMLVideoElement, onPicture: (picture: Picture) => void): () => void {
  const canvas = document.createElement('canvas');
  canvas.width = SIDE;
  canvas.height = SIDE;
  const pen = canvas.getContext('2d', { willReadFrequently: true });
  let handle = 0;
  const take = (): void => {
    const side = LOOKED_AT * Math.min(video.videoWidth, video.videoHeight);
    if (pen && side > 0) {
      const [x, y] = [(video.videoWidth - side) / 2, (video.videoHeight - side) / 2];
      pen.drawImage(video, x, y, side, side, 0, 0, SIDE, SIDE);
      onPicture({ atMs: performance.now(), rgb: withoutAlpha(pen.getImageData(0, 0, SIDE, SIDE).data) });
    }
    handle = video.requestVideoFrameCallback(take);
  };
  handle = video.requestVideoFrameCallback(take);
  return () => video.cancelVideoFrameCallback(handle);
}

function withoutAlpha(rgba: Uint8ClampedArray): Uint8ClampedArray<ArrayBuffer> {
  const rgb = new Uint8ClampedArray(3 * CELLS);
  for (let cell = 0; cell < CELLS; cell += 1)
    for (const channel of [0, 1, 2]) rgb[3 * cell + channel] = rgba[4 * cell + channel]!;
  return rgb;
}
