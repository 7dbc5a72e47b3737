import { keepPassCode, type Bench } from '../repositories/rigs';
import { LinkError } from './escLink';
import { isLinkBusy } from './linkJobs';
import { openStandIn, plugInSimulated } from './standIn';

/**
 * Gives the ESC of a bench another pass code, and writes it down.
 * @param passCode four digits, the first no nought
 * @returns why it has the old one still, or undefined
 */
export async function changePassCode(
  { rigId, profile, linkPassCode }: Bench,
  passCode: number,
): Promise<string | undefined> {
  if (isLinkBusy()) return 'The link is busy with a load. Wait until it is done.';
  try {
    await plugInSimulated(rigId, profile);
    const link = await openStandIn();
    try {
      await link.identify();
      await link.pair(linkPassCode);
      await link.setPassCode(passCode);
    } finally {
      link.close();
    }
  } catch (error) {
    if (error instanceof LinkError) return error.message;
    throw error;
  }
  await keepPassCode(rigId, passCode);
  return undefined;
}
