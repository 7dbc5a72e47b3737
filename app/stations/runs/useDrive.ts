import type { DriveView } from '#server/link/simulatedDrive';
import { useEffect, useState } from 'react';

const LOOK_EVERY_MS = 250;

/**
 * Watches the drive that is under way on the link of a rig, also one that began before this page was opened.
 * @param begun changes when somebody begins one
 */
export function useDrive(rigId: string, begun: unknown): DriveView | undefined {
  const [drive, setDrive] = useState<DriveView>();
  useEffect(() => {
    let isLeft = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let wasDriving = false;
    const look = async (): Promise<void> => {
      const seen = await askDrive(`/rigs/${rigId}/run-by-link`);
      if (isLeft) return;
      const isDriving = seen !== 'away' && seen?.state === 'driving';
      wasDriving ||= isDriving;
      // What ended before anybody looked is no news.
      if (!wasDriving) return;
      if (seen !== 'away') setDrive(seen);
      if (seen === 'away' || isDriving) timer = setTimeout(() => void look(), LOOK_EVERY_MS);
    };
    void look();
    return () => {
      isLeft = true;
      clearTimeout(timer);
    };
  }, [rigId, begun]);
  return drive;
}

type Asked = DriveView | undefined | 'away';

async function askDrive(address: string): Promise<Asked> {
  try {
    const response = await fetch(address);
    if (!response.ok) return 'away';
    return ((await response.json()) as { drive: DriveView | null }).drive ?? undefined;
  } catch {
    return 'away';
  }
}
