import type { Role } from '#server/access/who';
import { useState } from 'react';
import { Form, useNavigation } from 'react-router';
import { Button } from '../../ui/Button';
import { OneOf } from '../../ui/OneOf';
import { QrCode } from '../../ui/QrCode';
import { INPUT } from '../rig/formParts';
import type { Invited } from './pitActions.server';
import { ROLE_WORDS, ROLES } from '../../ui/roleWords';

export interface NamedRig {
  rigId: string;
  name: string;
  setUps: { id: string; name: string }[];
}

interface Props {
  rigs: NamedRig[];
  addresses: string[];
  /** How many devices there are. */
  count: number;
  invited: Invited | undefined;
}

const LONGEST_NAME = 40;

/** Makes a code for the next device. */
export function Invite({ rigs, addresses, count, invited }: Props) {
  const [role, setRole] = useState<Role>('owner');
  const [rigId, setRigId] = useState(rigs[0]?.rigId);
  const busy = useNavigation().state !== 'idle';
  if (addresses.length === 0)
    return (
      <p className="mt-4">
        This computer is in no private network now. Join one, then start Live Tune again.
      </p>
    );
  const setUps = rigs.find((rig) => rig.rigId === rigId)?.setUps ?? [];
  return (
    <div className="mt-4 grid gap-8 md:grid-cols-2">
      <section aria-labelledby="invite">
        <h2 id="invite" className="text-2xl">
          Pair a phone
        </h2>
        <Form method="post" className="mt-2 grid gap-4">
          <input type="hidden" name="intent" value="invite" />
          <input type="hidden" name="role" value={role} />
          <OneOf
            legend="Whose phone is it?"
            name="whose"
            of={ROLES.map((one) => [
              one,
              <span key={one}>
                <strong>{ROLE_WORDS[one].name}</strong>
                <span className="block text-sm text-muted">{ROLE_WORDS[one].may}</span>
              </span>,
            ])}
            value={role}
            onChoose={setRole}
          />
          {role === 'visitor' && (
            <div className="grid gap-3">
              <label className="grid gap-1">
                sees
                <select
                  name="rigId"
                  value={rigId}
                  onChange={(event) => setRigId(event.target.value)}
                  className={`${INPUT} min-h-11`}
                >
                  {rigs.map((rig) => (
                    <option key={rig.rigId} value={rig.rigId}>
                      {rig.name}
                    </option>
                  ))}
                </select>
              </label>
              <select name="setUpId" aria-label="All of the rig, or a set-up" className={`${INPUT} min-h-11`}>
                <option value="">all of this rig</option>
                {setUps.map(({ id, name }) => (
                  <option key={id} value={id}>
                    only the set-up {name}
                  </option>
                ))}
              </select>
            </div>
          )}
          <label className="grid gap-1">
            Name of the phone, for your list
            <input
              key={`${role} ${count}`}
              name="name"
              defaultValue={`${USUAL_NAMES[role]} ${count + 1}`}
              maxLength={LONGEST_NAME}
              className={`${INPUT} min-h-11`}
            />
          </label>
          <Button type="submit" look="main" disabled={busy}>
            Make a code
          </Button>
        </Form>
      </section>
      <section aria-live="polite">{invited && <Code key={invited.code} {...invited} />}</section>
    </div>
  );
}

const USUAL_NAMES: Readonly<Record<Role, string>> = {
  owner: 'My phone',
  helper: 'Helper’s phone',
  visitor: 'Visitor’s phone',
};

/** The code, as a picture for a camera and as text for fingers. */
function Code({ code, name, role, ways }: Invited) {
  const [chosen, choose] = useState(0);
  const way = ways[chosen]!;
  return (
    <>
      <h2 className="text-2xl">
        Code for “{name}”, {ROLE_WORDS[role].name}
      </h2>
      {way.picture && <QrCode picture={way.picture} label="Pairing code" className="mt-2 w-64" />}
      <ol className="mt-2 list-decimal pl-6">
        <li>Point the phone’s camera at it, or open {way.address}</li>
        <li>The browser warns: it does not know this bench. Compare the address, then go on.</li>
        <li>
          Tap Pair. The code is <strong className="font-mono text-xl">{code}</strong>
        </li>
      </ol>
      <p className="mt-2 text-sm text-muted">It works once, for ten minutes.</p>
      {ways.length > 1 && (
        <label className="mt-3 grid gap-1 text-sm">
          The phone does not find it? Another address:
          <select
            value={chosen}
            onChange={(event) => choose(Number(event.target.value))}
            className={`${INPUT} min-h-11`}
          >
            {ways.map(({ address }, place) => (
              <option key={address} value={place}>
                {address}
              </option>
            ))}
          </select>
        </label>
      )}
    </>
  );
}
