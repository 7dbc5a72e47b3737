import type { Device } from '#server/repositories/devices';
import { Form } from 'react-router';
import { Button } from '../../ui/Button';
import { Confirm } from '../../ui/Confirm';
import { Time } from '../../ui/Time';
import type { NamedRig } from './Invite';
import { ROLE_WORDS } from '../../ui/roleWords';

interface Props {
  devices: readonly Device[];
  rigs: readonly NamedRig[];
  /** On which this is read; undefined at the bench. */
  thisDevice: string | undefined;
}

/** What is paired, and the way to take it back. */
export function Devices({ devices, rigs, thisDevice }: Props) {
  return (
    <section className="mt-10" aria-labelledby="devices">
      <h2 id="devices" className="text-2xl">
        Paired devices
      </h2>
      {devices.length === 0 ? (
        <p className="mt-1">None.</p>
      ) : (
        <>
          <ul className="mt-2 border-t border-rule">
            {devices.map((device) => (
              <li key={device.id} className="flex flex-wrap items-center gap-x-4 border-b border-rule py-2">
                <span className="min-w-0 grow">
                  <strong className="wrap-anywhere">{device.name}</strong>
                  {device.id === thisDevice && ' (this device)'}
                  <span className="block text-sm text-muted">
                    {ROLE_WORDS[device.role].name}
                    {device.rigId !== null && `: ${shownOf(device, rigs)}`} · last seen{' '}
                    <Time iso={device.seenAt} />
                  </span>
                </span>
                <Form method="post">
                  <input type="hidden" name="deviceId" value={device.id} />
                  <Button type="submit" name="intent" value="remove" aria-label={`Remove ${device.name}`}>
                    Remove
                  </Button>
                </Form>
              </li>
            ))}
          </ul>
          <p className="mt-3">
            <Confirm
              trigger={<Button look="quiet">Sign out everywhere</Button>}
              title="Sign out everywhere?"
              text="Every device has to be paired again, and all open codes are void. What they noted stays."
              method="post"
              fields={{ intent: 'removeAll' }}
              yes="Sign out everywhere"
              no="Leave them"
            />
          </p>
        </>
      )}
    </section>
  );
}

function shownOf({ rigId, setUpId }: Device, rigs: readonly NamedRig[]): string {
  const rig = rigs.find((one) => one.rigId === rigId);
  const setUp = rig?.setUps.find(({ id }) => id === setUpId);
  return [rig?.name ?? 'a rig that is archived', setUp?.name].filter(Boolean).join(', ');
}
