import { type PresetId, PRESETS } from '#core/workshop/presets';
import { Check } from 'lucide-react';
import { Button } from '../../ui/Button';
import type { SketchBench } from './useSketch';

/** Values that come from the pattern, until somebody has compared them with the manual. */
export function PresetMark({ bench, id }: { bench: SketchBench; id: PresetId }) {
  const { sketch, set, problemAt } = bench;
  if (!sketch.presets.includes(id)) return null;
  return (
    <p className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1 border-l-4 border-caution bg-sheet p-2 text-sm">
      <span className={`min-w-0 flex-1 basis-56 ${problemAt(`presets.${id}`) ? 'font-bold' : ''}`}>
        Not checked yet: {PRESETS[id]}. Compare with the manual and change what differs.
      </span>
      <Button onClick={() => set({ presets: sketch.presets.filter((other) => other !== id) })}>
        <Check className="size-5" aria-hidden="true" />
        As in the manual
      </Button>
    </p>
  );
}
