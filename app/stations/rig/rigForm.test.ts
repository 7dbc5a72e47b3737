import { describe, expect, it } from 'vitest';
import { fieldsOf, quantityAt } from '#core/rig/fields';
import { defaultRig } from '#core/rig/defaults';
import type { Rig } from '#core/rig/rig';
import { CHANNEL_FIELDS } from './channelFields';
import { readNumber } from '#core/units/readNumber';
import { readRigForm, shownValue } from './rigForm';

/** The form as it stands when nobody has touched it. */
function formOf(rig: Rig, changes: Record<string, string> = {}): FormData {
  const form = new FormData();
  form.set('name', rig.name);
  form.set('vehicleClass', rig.vehicleClass);
  form.set('chemistry', rig.pack.chemistry);
  form.set('cells', String(rig.pack.cells));
  form.set('motorCount', String(rig.motorCount));
  form.set('motorType', rig.motor.type);
  form.set('gearing.internalRatio', '1');
  for (const field of fieldsOf(rig)) {
    form.set(field.path, shownValue(rig, field));
    form.set(`${field.path}.basis`, quantityAt(rig, field.path).basis);
  }
  for (const { key } of CHANNEL_FIELDS) form.set(`channel.${key}`, String(rig.channel[key]));
  if (rig.motor.sensored) form.set('sensored', 'on');
  for (const [name, value] of Object.entries(changes)) form.set(name, value);
  return form;
}

const buggy: Rig = { ...defaultRig('tenthBuggy'), name: 'Hare' };
const plane: Rig = { ...defaultRig('sportPlane'), name: 'Gull' };

describe('numbers as people type them', () => {
  it.each([
    ['12', 12],
    [' 1 250 ', 1250],
    ['8,6', 8.6],
    ['.5', 0.5],
    ['\u22123', -3],
    ['1\u00a0000', 1000],
  ])('%j is %f', (text, value) => {
    expect(readNumber(text)).toBe(value);
  });

  it.each(['', 'twelve', '1.2.3', '2,4 kg', '1e3', '--1'])('%j is no number', (text) => {
    expect(readNumber(text)).toBeUndefined();
  });
});

describe('reading the rig form', () => {
  it.each([buggy, plane])('an untouched form leaves the rig as it was, to the last digit ($name)', (rig) => {
    expect(readRigForm(formOf(rig), rig)).toEqual({ rig, problems: [] });
  });

  it('a number is taken in the trade’s unit and kept in SI, with its origin', () => {
    const { rig } = readRigForm(
      formOf(buggy, { 'vehicle.massKg': '1755', 'vehicle.massKg.basis': 'measured' }),
      buggy,
    );
    expect(quantityAt(rig, 'vehicle.massKg')).toEqual({ value: 1.755, basis: 'measured' });
    const { rig: flying } = readRigForm(formOf(plane, { 'vehicle.propellerDiameterM': '11' }), plane);
    expect(quantityAt(flying, 'vehicle.propellerDiameterM').value).toBeCloseTo(0.2794, 9);
  });

  it('every wrong field has a sentence that says what would be right', () => {
    const { problems } = readRigForm(
      formOf(buggy, { name: ' ', 'motor.kvRpmPerVolt': '3', cells: '2.5', 'channel.trimMicros': 'some' }),
      buggy,
    );
    expect(problems.map(({ path }) => path)).toEqual([
      'name',
      'motor.kvRpmPerVolt',
      'cells',
      'channel.trimMicros',
    ]);
    expect(problems[1]!.sentence).toBe('Motor kV is 3 rpm/V; it must be between 50 and 20000 rpm/V.');
    expect(problems[2]!.sentence).toContain('a whole number is needed');
  });

  it('loads on the BEC need a name and a voltage; empty rows are none', () => {
    const good = readRigForm(formOf(buggy, { 'bus.0.name': 'servo', 'bus.0.maxVolts': '7,4' }), buggy);
    expect(good.rig.busLoads).toMatchObject([{ name: 'servo', maxVolts: 7.4, kind: 'other', count: 1 }]);
    const bad = readRigForm(
      formOf(buggy, {
        'bus.0.name': 'servo',
        'bus.1.maxVolts': '6',
        'bus.2.name': 'lamp',
        'bus.2.maxVolts': '60',
      }),
      buggy,
    );
    expect(bad.problems.map(({ path }) => path)).toEqual(['bus.0.maxVolts', 'bus.1.name', 'bus.2.maxVolts']);
  });

  it('a car can become another car, but no aeroplane', () => {
    expect(readRigForm(formOf(buggy, { vehicleClass: 'crawler' }), buggy).rig.vehicleClass).toBe('crawler');
    expect(readRigForm(formOf(buggy, { vehicleClass: 'sportPlane' }), buggy).rig.vehicleClass).toBe(
      'tenthBuggy',
    );
  });

  it('says whether blades fold', () => {
    expect(readRigForm(formOf(plane, { folding: 'on' }), plane).rig.vehicle).toMatchObject({ folding: true });
  });

  it('teeth win over the final drive that was typed (58/20 · 43/13, common practice: 9.59)', () => {
    const { rig } = readRigForm(
      formOf(buggy, {
        'gearing.spurTeeth': '58',
        'gearing.pinionTeeth': '20',
        'gearing.internalRatio': '3,3077',
        'vehicle.finalDrive': '4',
      }),
      buggy,
    );
    expect(quantityAt(rig, 'vehicle.finalDrive').value).toBeCloseTo(9.59, 2);
    expect(quantityAt(rig, 'vehicle.finalDrive').basis).toBe('given');
    const half = readRigForm(formOf(buggy, { 'gearing.spurTeeth': '58' }), buggy);
    expect(half.problems.map(({ path }) => path)).toEqual(['gearing.pinionTeeth']);
  });

  it('what is left empty is not there: gain, jitter, external BEC', () => {
    const empty = readRigForm(formOf(buggy), buggy).rig;
    expect([empty.stabilityGainPercent, empty.channel.jitterMicros, empty.externalBec]).toEqual([
      null,
      null,
      null,
    ]);
    const full = formOf(buggy, {
      stabilityGain: '40',
      jitter: '1,2',
      'externalBec.volts': '7.4',
      'externalBec.continuousAmps': '15',
    });
    const { rig } = readRigForm(full, buggy);
    expect(rig.externalBec).toEqual({ volts: 7.4, continuousAmps: 15 });
    expect([rig.stabilityGainPercent, rig.channel.jitterMicros]).toEqual([40, 1.2]);
  });

  it('a servo that draws more moving than stalled was typed the wrong way round', () => {
    const swapped = {
      'bus.0.name': 'servo',
      'bus.0.maxVolts': '6',
      'bus.0.movingAmps': '4',
      'bus.0.stallAmps': '1',
    };
    expect(readRigForm(formOf(buggy, swapped), buggy).problems[0]?.path).toBe('bus.0.stallAmps');
  });
});
