import { previewOf, type Changed } from '#core/advice/preview';
import type { Remedy, Verdict } from '#core/advice/verdicts/verdict';
import { itemById } from '#core/esc/profile';
import { DRILLS, type DrillId } from '#core/physics/drills/runDrill';
import { useState } from 'react';
import { useBench } from '../bench/BenchContext';

type Move = Extract<Remedy, { kind: 'move' }>;

/** What each move that clears a verdict would do, computed once somebody asks. */
export function MovePreviews({ verdict }: { verdict: Verdict }) {
  const [isOpen, setOpen] = useState(false);
  const moves = verdict.remedies.filter((remedy): remedy is Move => remedy.kind === 'move');
  if (moves.length === 0) return null;
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="min-h-8 cursor-pointer py-1">
        {moves.length === 1 ? 'What it would do' : 'What each would do'}
      </summary>
      {isOpen && moves.map((move) => <MovePreview key={move.label} move={move} />)}
    </details>
  );
}

const SHOWN = 3;

/** What one move would do to the numbers that tell, and what would be said then. */
export function MovePreview({ move: { label, itemId, stopId } }: { move: Omit<Move, 'kind'> }) {
  const { draftedRig: rig, profile, drafted, memory, rules, goals } = useBench();
  const situation = { rig, profile, stops: drafted, range: memory.range, rules, goals };
  const { setting } = itemById(profile, itemId);
  const { drill, changed, raised } = previewOf(situation, setting, { [itemId]: stopId });
  return (
    <p className="mb-1">
      <strong>{label}:</strong>{' '}
      {changed.length === 0
        ? `changes no number of ${(DRILLS[rig.vehicle.kind] as Partial<Record<DrillId, string>>)[drill]!}`
        : changed.slice(0, SHOWN).map(numberMoved).join('; ')}
      .{raised.map(({ title }) => ` Then: ${title}`)}
    </p>
  );
}

/** A number from where to where, in a few words. */
export function numberMoved({ before, after }: Changed): string {
  const value = ({ value: of, decimals }: Changed['after']): string => of?.toFixed(decimals) ?? 'never';
  return `${after.name.toLowerCase()} ${value(before)} → ${value(after)} ${after.value === undefined ? '' : after.unit}`.trim();
}
