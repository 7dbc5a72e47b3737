import { keepPassCode, type Bench } from '../repositories/rigs';
import { LinkError } from './escLink';
import { LINK_BUSY, takeLink } from './linkUse';
import { openStandIn, plugInSimulated, serialOf } from './standIn';

/**
 * Gives the ESC of a bench another pass code, and writes it down.
 * @param passCode four digits, the first no zero
 * @returns why it has the old one still, or undefined
 */
export async function changePassCode(bench: Bench, passCode: number): Promise<string | undefined> {
  const giveBack = takeLink();
  if (!giveBack) return LINK_BUSY;
  try {
    await changeOnEsc(bench, passCode);
    await keepPassCode(bench.rigId, passCode);
    return undefined;
  } catch (error) {
    if (error instanceof LinkError) return error.message;
    throw error;
  } finally {
    giveBack();
  }
}

async function changeOnEsc(bench: Bench, passCode: number): Promise<void> {
  await plugInSimulated(bench, bench.profile);
  const link = await openStandIn();
  try {
    const { serial } = await link.identify();
    if (serial !== serialOf(bench))
      throw new LinkError('wrongEsc', 'Another ESC is on the link. Nothing was changed.');
    await link.pair(bench.linkPassCode);
    await link.setPassCode(passCode);
  } finally {
    link.close();
  }
}
