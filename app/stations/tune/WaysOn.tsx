import { Link } from 'react-router';
import { savePreferences, usePreferences } from '../../preferences/usePreferences';
import { Button } from '../../ui/Button';
import { useBench } from '../bench/BenchContext';

/** Above the rails: the switch between the few settings that matter and all of them, and the ways to related pages. */
export function WaysOn() {
  const preferences = usePreferences();
  const { essentialsOnly } = preferences;
  const { heldSheetNumber, profile, rigId, rig } = useBench();
  const show = (only: boolean): void => savePreferences({ ...preferences, essentialsOnly: only });
  return (
    <p className="flex flex-wrap items-center gap-x-3 text-sm">
      {essentialsOnly ? (
        <Button look="quiet" onClick={() => show(false)}>
          Show all {profile.items.length} settings
        </Button>
      ) : (
        <Button look="quiet" onClick={() => show(true)}>
          {heldSheetNumber === undefined ? 'New to this? Fewer settings' : 'Fewer settings'}
        </Button>
      )}
      <Button look="quiet" asChild>
        <Link to={`/rigs/${rigId}/list`}>Whole sheet</Link>
      </Button>
      <Button look="quiet" asChild>
        <Link to={`/rigs/${rigId}/set-ups`}>Set-ups</Link>
      </Button>
      <Button look="quiet" asChild>
        <Link to={`/rigs/${rigId}/trouble`}>What is wrong?</Link>
      </Button>
      <Button look="quiet" asChild>
        <a href="#off-the-esc">{rig.vehicle.kind === 'wheels' ? 'Pinion, pack, radio' : 'Pack and radio'}</a>
      </Button>
    </p>
  );
}
