import { Notice } from '../../ui/Notice';

/** Said where another device ended a load, began another, or gave the rig another ESC. */
export function Ended() {
  return (
    <div role="alert">
      <Notice grade="caution" title="This load was ended at another device.">
        <p>What was stored is known. Reload this page for what is left.</p>
      </Notice>
    </div>
  );
}
