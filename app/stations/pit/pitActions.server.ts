import { nameFault } from '#core/units/text';
import { invitations, isOwnersPassword } from '#server/access/enter';
import { hashPassword, passwordFault } from '#server/access/passwords';
import { ROLES, whoAsks, type Principal, type Role } from '#server/access/who';
import { closeLines } from '#server/live/liveRoutes';
import { qrPicture, type QrPicture } from '#server/qrCode';
import { textOf } from '#server/readBody';
import { removeDevice, removeDevices } from '#server/repositories/devices';
import { garageById, keepOwnerPassword, renameGarage } from '#server/repositories/garages';
import { findBench } from '#server/repositories/rigs';
import { findSetUp } from '#server/repositories/setUps';
import { howShared } from '#server/share/shared';

export interface PitAnswer {
  /** What was done. */
  sentence: string;
  /** Why nothing was; empty where it was. */
  fault: string;
  invited?: Invited;
}

/** A code that was made, and how a phone gets at it. */
export interface Invited {
  code: string;
  name: string;
  role: Role;
  ways: { address: string; picture: QrPicture | null }[];
}

const done = (sentence: string): PitAnswer => ({ sentence, fault: '' });
const refused = (fault: string): PitAnswer => ({ sentence: '', fault });

/** What the owner does on the page of who may what. */
export async function pitAnswer(form: FormData): Promise<PitAnswer> {
  const { garageId, deviceId } = whoAsks();
  switch (textOf(form, 'intent')) {
    case 'password':
      return choosePassword(garageId, form, deviceId !== undefined);
    case 'name':
      return rename(garageId, textOf(form, 'name'));
    case 'invite':
      return invite(garageId, form);
    case 'remove': {
      const isRemoved = await removeDevice(garageId, textOf(form, 'deviceId'));
      await closeLines();
      return isRemoved
        ? done('Removed. It sees nothing from now on.')
        : refused('That device is not paired any more.');
    }
    case 'removeAll': {
      const count = await removeDevices(garageId, deviceId);
      invitations.forget(garageId);
      await closeLines();
      return done(
        `Signed out everywhere: ${count} ${count === 1 ? 'device' : 'devices'}. All open codes are void.`,
      );
    }
    default:
      return refused('That is not possible here.');
  }
}

/** @param asks whether the one before is asked for: at the bench itself it may be forgotten */
async function choosePassword(garageId: string, form: FormData, asks: boolean): Promise<PitAnswer> {
  const password = passwordIn(form, 'password');
  const { name } = await garageById(garageId);
  if (asks && !(await isOwnersPassword(garageId, passwordIn(form, 'before'))))
    return refused('The password of before is not right.');
  const fault = passwordFault(password, [name, 'live tune', 'livetune']);
  if (fault !== undefined) return refused(fault);
  await keepOwnerPassword(garageId, await hashPassword(password));
  return done('Password kept.');
}

/** As it was typed: spaces belong to it. */
function passwordIn(form: FormData, name: string): string {
  const typed = form.get(name);
  return typeof typed === 'string' ? typed : '';
}

async function rename(garageId: string, name: string): Promise<PitAnswer> {
  const fault = nameFault(name);
  if (fault !== undefined) return refused(`The garage ${fault}`);
  return (await renameGarage(garageId, name)) ? done('Name kept.') : refused('Another garage has that name.');
}

/** One device of a role, by a code that it types or sees as a picture. */
async function invite(garageId: string, form: FormData): Promise<PitAnswer> {
  const shared = howShared();
  if (!shared) return refused('Nothing nearby can reach this bench now. Start it with ./start --share.');
  if (!(await garageById(garageId)).hasPassword) return refused('Choose a password first.');
  const role = ROLES.find((one) => one === textOf(form, 'role'));
  if (!role) return refused('Choose what the device may do.');
  const name = textOf(form, 'name');
  const fault = nameFault(name);
  if (fault !== undefined) return refused(`The device ${fault}`);
  const sees = role === 'visitor' ? await shownTo(garageId, form) : undefined;
  if (role === 'visitor' && !sees) return refused('Choose the rig that the visitor sees.');
  const code = invitations.invite({ garageId, role, name, sees });
  // Behind the # it is sent to no server, and stands in no log.
  const ways = shared.addresses.map((address) => ({
    address: `${address}/pair`,
    picture: qrPicture(`${address}/pair#${code}`),
  }));
  return { ...done(''), invited: { code, name, role, ways } };
}

async function shownTo(garageId: string, form: FormData): Promise<Principal['sees']> {
  const [rigId, setUpId] = [textOf(form, 'rigId'), textOf(form, 'setUpId')];
  if (!(await findBench(garageId, rigId))) return undefined;
  if (setUpId === '') return { rigId, setUpId: undefined };
  return (await findSetUp(rigId, setUpId)) ? { rigId, setUpId } : undefined;
}
