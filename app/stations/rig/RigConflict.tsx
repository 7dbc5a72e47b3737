import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';

/** Two have changed one rig: the user says which of them counts. Nothing typed is lost until then. */
export function RigConflict({ sending }: { sending: boolean }) {
  return (
    <div className="mb-4" role="alert">
      <Notice grade="caution" title="This rig was changed in another tab or on another device.">
        <p>Nothing is saved yet. What you typed is still here.</p>
        <div className="mt-2 flex flex-wrap gap-3">
          <Button type="submit" name="over" value="yes" disabled={sending}>
            Keep what is here
          </Button>
          <Button onClick={() => window.location.reload()}>Take what is there</Button>
        </div>
      </Notice>
    </div>
  );
}
