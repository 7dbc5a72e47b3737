import type { Compared, Standing } from '#server/archive/compareArchive';
import { useState } from 'react';
import { useRevalidator } from 'react-router';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { OneOf } from '../../ui/OneOf';
import { Time } from '../../ui/Time';

type Step =
  | { kind: 'idle' }
  | { kind: 'looking' | 'restoring' }
  | { kind: 'refused'; sentence: string }
  | { kind: 'looked'; token: string; compared: Compared }
  | { kind: 'restored'; count: number };

/** Brings an archive back: looked at first, and nothing changes before that is seen. */
export function Restore() {
  const [step, setStep] = useState<Step>({ kind: 'idle' });
  const { revalidate } = useRevalidator();
  const look = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setStep({ kind: 'looking' });
    setStep(await asked('/archive', file, (body) => ({ kind: 'looked', ...(body as Looked) })));
  };
  const restore = async (token: string, choice: string): Promise<void> => {
    setStep({ kind: 'restoring' });
    const to = `/archive/${token}?choice=${choice}`;
    setStep(
      await asked(to, undefined, (body) => ({
        kind: 'restored',
        count: (body as { restored: number }).restored,
      })),
    );
    void revalidate();
  };
  return (
    <section className="mt-8 border-t border-rule pt-4" aria-labelledby="restore">
      <h2 id="restore" className="text-2xl">
        Restore
      </h2>
      <p className="mt-1 max-w-2xl">
        Choose a saved file. You see first what is new, the same and different.
      </p>
      <label className="mt-3 flex flex-wrap items-center gap-3">
        <span>Saved file</span>
        <input
          type="file"
          accept=".zip,application/zip"
          onChange={(event) => void look(event.target.files?.[0])}
          className="max-w-96 min-w-0 rounded-sm border border-rule bg-sheet p-2 file:mr-3 file:border-0 file:bg-transparent file:font-bold"
        />
      </label>
      <div className="mt-3" role="status">
        {step.kind === 'looking' && 'Looking at every part of it …'}
        {step.kind === 'restoring' && 'Bringing it back …'}
        {step.kind === 'restored' && (
          <p className="font-bold text-ok">
            {step.count === 0 ? 'Everything was there already.' : `${step.count} rigs are back.`}
          </p>
        )}
        {step.kind === 'refused' && (
          <Notice grade="caution" title="Nothing was changed.">
            {step.sentence}
          </Notice>
        )}
      </div>
      {step.kind === 'looked' && <Look {...step} onRestore={(choice) => void restore(step.token, choice)} />}
    </section>
  );
}

interface Looked {
  token: string;
  compared: Compared;
}

async function asked(to: string, body: File | undefined, read: (body: unknown) => Step): Promise<Step> {
  try {
    const response = await fetch(to, {
      method: 'POST',
      body,
      headers: { 'Content-Type': 'application/zip' },
    });
    const answer = (await response.json()) as { sentence?: string };
    return response.ok
      ? read(answer)
      : { kind: 'refused', sentence: answer.sentence ?? 'The server refused it.' };
  } catch {
    return { kind: 'refused', sentence: 'The server does not answer. Try again in a moment.' };
  }
}

const CHOICES = [
  ['keep', 'Leave mine as they are'],
  ['both', 'Keep both: the saved ones as copies'],
  ['replace', 'Put the saved ones in their place. What came after is lost.'],
] as const;

function Look({ compared, onRestore }: Looked & { onRestore: (choice: string) => void }) {
  const [choice, setChoice] = useState<(typeof CHOICES)[number][0]>('keep');
  const { madeAt, rigs, profiles, rules, alike, packs, days, practice } = compared;
  const of = (standing: Standing) => rigs.filter((rig) => rig.standing === standing);
  const different = of('different');
  const others = [...profiles, ...rules, ...alike, ...packs, ...days, ...practice].filter(
    ({ standing }) => standing !== 'same',
  );
  return (
    <div>
      <p className="text-lg">
        Saved <Time iso={madeAt} />. Rigs: {of('new').length} new, {of('same').length} the same,{' '}
        {different.length} different.
      </p>
      <Names title="New" names={of('new').map(({ name }) => name)} />
      <Names title="Different" names={different.map(({ name }) => name)} />
      <Names title="What comes along: ESC profiles, rules, groups" names={others.map(({ name }) => name)} />
      {different.length > 0 && (
        <div className="mt-3">
          <OneOf legend="Those that differ" name="choice" of={CHOICES} value={choice} onChoose={setChoice} />
        </div>
      )}
      <p className="mt-4">
        <Button look="main" onClick={() => onRestore(choice)}>
          Restore
        </Button>
      </p>
    </div>
  );
}

const SHOWN = 30;

const Names = ({ title, names }: { title: string; names: readonly string[] }) =>
  names.length === 0 ? null : (
    <p className="mt-1">
      <span className="text-muted">{title}: </span>
      {names.slice(0, SHOWN).join(', ')}
      {names.length > SHOWN && ` and ${names.length - SHOWN} more`}
    </p>
  );
