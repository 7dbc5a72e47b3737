import type { Problem, Result } from '#core/units/problem';
import { readDocument } from '#formats/document';
import { findProfileByKey, keepProfile, takeProfile } from './repositories/escProfiles';
import { addDay } from './repositories/days';
import { takePack } from './repositories/packs';
import { takePractice } from './repositories/practice';
import { createRig } from './repositories/rigs';

export interface Imported {
  /** What was done, in a sentence. */
  sentence: string;
  /** The rig to go to, if the file was one. */
  rigId?: string;
  rigName?: string;
  /** Whether that rig uses an ESC of its own, since the garage has another one under the same name. */
  otherEsc?: true;
}

/** Takes a rig or an ESC profile from a file into a garage. Sheets belong to a rig and go there. */
export async function importDocument(garageId: string, text: string): Promise<Result<Imported>> {
  const read = readDocument(text);
  if (!read.ok) return read;
  const document = read.value;
  switch (document.format) {
    case 'live-tune/esc-profile': {
      const { format: _format, version: _version, ...profile } = document;
      const outcome = await keepProfile(garageId, profile);
      if (outcome === 'differs') {
        return refuse(
          'revision',
          `You already have revision ${profile.revision} of “${profile.name}”, and it differs from this file. Give the file the next revision number.`,
        );
      }
      return done({
        sentence:
          outcome === 'kept'
            ? `ESC profile “${profile.name}” is in your garage.`
            : `You already have “${profile.name}”; the file is equal.`,
      });
    }
    case 'live-tune/rig': {
      const taken = document.escProfile && (await takeProfile(garageId, document.escProfile));
      const stored = taken?.stored ?? (await findProfileByKey(garageId, document.escProfileId));
      if (!stored) {
        return refuse(
          'escProfileId',
          `This rig uses the ESC profile '${document.escProfileId}', which is not in your garage. Import that profile first.`,
        );
      }
      const rigId = await createRig(garageId, document.rig, stored);
      const sentence = `Rig “${document.rig.name}” is in your garage.`;
      if (taken?.as !== 'otherEsc') return done({ sentence, rigId, rigName: document.rig.name });
      const other = `Its profile of “${document.escProfile!.name}” differs from yours. Both are kept: this rig uses “${stored.profile.name}”.`;
      return done({ sentence: `${sentence} ${other}`, rigId, otherEsc: true });
    }
    case 'live-tune/pack': {
      const { label } = document.pack;
      const taken = await takePack(garageId, document);
      if (taken === 'added') return done({ sentence: `Pack “${label}” is on your shelf.` });
      if (taken === 'grown') return done({ sentence: `“${label}” knows more of its life now.` });
      if (taken === 'equal') return done({ sentence: `You already have “${label}”; the file is equal.` });
      return refuse(
        'pack.label',
        taken === 'sameLabel'
          ? `Another pack on your shelf is called “${label}”. Give one of them another label.`
          : 'There is no room on your shelf: take a pack away first.',
      );
    }
    case 'live-tune/day':
      return (await addDay(garageId, document.day))
        ? done({ sentence: `“${document.day.name}” is among your days.` })
        : refuse('day.id', 'You already have this day.');
    case 'live-tune/practice': {
      const added = await takePractice(garageId, document);
      return done({
        sentence: `${added} ${added === 1 ? 'rehearsal is' : 'rehearsals are'} added to your practice.`,
      });
    }
    case 'live-tune/set-up':
      return refuse(
        'format',
        'This is a set-up. Open the rig it is for, go to Set-ups, and import it there.',
      );
    case 'live-tune/run':
      return refuse(
        'format',
        'This is a run. Open the rig it was driven with, go to Runs, and import it there.',
      );
    case 'live-tune/sheet':
      return refuse(
        'format',
        'This is a sheet. Open the rig it belongs to, go to Sheets, and import it there.',
      );
  }
}

const done = (value: Imported): Result<Imported> => ({ ok: true, value });
const refuse = (path: string, sentence: string): Result<Imported> => ({
  ok: false,
  problems: [{ path, sentence } satisfies Problem],
});
