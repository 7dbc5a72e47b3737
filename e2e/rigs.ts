/** Rigs made by request, as a page would ask for them: for tests in which making a rig is not what is tested. */
import { readFile } from 'node:fs/promises';
import { archetypeFor } from '#core/archetypes/archetypes';
import type { EscProfile } from '#core/esc/profile';
import { defaultRig } from '#core/rig/defaults';
import type { Rig } from '#core/rig/rig';
import type { VehicleClass } from '#core/rig/vehicleClass';
import { VERSION } from '#formats/document';
import { expect, type Page } from '@playwright/test';
import { ADDRESS } from './setting';

type Station = 'rig' | 'endpoints' | 'tune' | 'load' | 'runs' | 'esc' | 'sheets';

/** The demo's buggy ESC, which most tests use. */
const DEMO_PROFILE = 'tamsel-r60';

/**
 * Takes a document into the garage.
 * @returns the id of the rig, where it was one
 */
export async function takeIn(page: Page, document: object): Promise<string | undefined> {
  const response = await page.request.post('/?index', {
    // The server takes changes only from a page of its own.
    headers: { origin: ADDRESS },
    multipart: {
      intent: 'import',
      file: {
        name: 'document.json',
        mimeType: 'application/json',
        buffer: Buffer.from(JSON.stringify(document)),
      },
    },
    maxRedirects: 0,
  });
  expect(response.status(), await response.text()).toBeLessThan(400);
  return /rigs\/([^/]+)/.exec(response.headers().location ?? '')?.[1];
}

export interface RigFile {
  version: number;
  escProfileId: string;
  rig: Rig;
}

/** What a rig file of the demo says. */
export const demoRigFile = async (file: string): Promise<RigFile> =>
  JSON.parse(await readFile(`demo/${file}.rig.json`, 'utf8')) as RigFile;

/** Makes a new tenth-scale buggy with the demo's ESC, and opens it. @returns its id */
export const openNewRig = (page: Page, name: string, station: Station): Promise<string> =>
  openRig(page, rigDocument(name, 'tenthBuggy', { escProfileId: DEMO_PROFILE }), station);

/** Makes a new rig of a class with the archetype that serves it, and opens it. @returns its id */
export function openNewRigOf(
  page: Page,
  vehicleClass: VehicleClass,
  name: string,
  station: Station,
): Promise<string> {
  const { profile } = archetypeFor(vehicleClass);
  return openRig(
    page,
    rigDocument(name, vehicleClass, { escProfileId: profile.id, escProfile: profile }),
    station,
  );
}

/** Makes a new tenth-scale buggy whose ESC only a form in another program sets, and opens it. @returns its id */
export function openRigByForm(page: Page, name: string, station: Station): Promise<string> {
  const { profile } = archetypeFor('tenthBuggy');
  const [first, second, third] = profile.items;
  const byForm: EscProfile = {
    ...profile,
    id: 'set-by-form',
    name: 'Harrow F40',
    media: [
      {
        family: 'programForm',
        plug: 'The adapter goes into the ESC’s lead.',
        pages: [
          { title: 'Driving', itemIds: [third!.id, first!.id] },
          { title: 'Stopping', itemIds: [second!.id] },
        ],
        sendName: 'Send',
        readName: 'Read',
      },
    ],
  };
  return openRig(
    page,
    rigDocument(name, 'tenthBuggy', { escProfileId: byForm.id, escProfile: byForm }),
    station,
  );
}

/** Takes in a demo rig under another name, so that a test has it for itself, and opens it. @returns its id */
export async function openDemoRig(page: Page, file: string, name: string, station: Station): Promise<string> {
  const document = await demoRigFile(file);
  return openRig(page, { ...document, rig: { ...document.rig, name } }, station);
}

async function openRig(page: Page, document: object, station: Station): Promise<string> {
  const rigId = await takeIn(page, document);
  await page.goto(`/rigs/${rigId!}/${station}`);
  return rigId!;
}

const rigDocument = (name: string, vehicleClass: VehicleClass, esc: object): object => ({
  format: 'live-tune/rig',
  version: VERSION,
  ...esc,
  rig: { ...defaultRig(vehicleClass), name },
});

/** Sends JSON as a page of ours would. */
export async function post(page: Page, address: string, body: object): Promise<void> {
  const response = await page.request.post(address, { headers: { origin: ADDRESS }, data: body });
  expect(response.status(), address).toBe(200);
}
