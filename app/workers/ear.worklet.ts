/** The ear in the browser's audio thread: samples in, groups of notes out. No sound leaves it. */
import { hear, newEar } from '#core/ear/ear';

declare const sampleRate: number;
declare class AudioWorkletProcessor {
  readonly port: MessagePort;
}
declare function registerProcessor(name: string, processor: typeof AudioWorkletProcessor): void;

class EarProcessor extends AudioWorkletProcessor {
  #ear = newEar(sampleRate);

  process([microphone]: Float32Array[][]): boolean {
    const samples = microphone?.[0];
    if (samples) {
      const { ear, groups } = hear(this.#ear, samples);
      this.#ear = ear;
      for (const group of groups) this.port.postMessage(group);
    }
    return true;
  }
}

registerProcessor('ear', EarProcessor);
