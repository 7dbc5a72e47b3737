import { describe, expect, it } from 'vitest';
import { fieldsOf, quantityAt } from '#core/rig/fields';
import { defaultRig } from '#core/rig/defaults';
import type { Rig } from '#core/rig/rig';
import { CHANNEL_FIELDS, readNumber, readRigForm, shownValue } from './rigForm';

/** The form as it stands when nobody has touched it. */
function formOf(rig: Rig, changes: Record<string, string> = {}): FormData {
  const form = new FormData();
  form.set('name', rig.name);
  form.set('vehicleClass', rig.vehicleClass);
  form.set('chemistry', rig.pack.chemistry);
  form.set('cells', String(rig.pack.cells));
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
      'channel.trimMicros',
      'cells',
    ]);
    expect(problems[1]!.sentence).toBe('Motor kV is 3 rpm/V; it must be between 50 and 20000 rpm/V.');
    expect(problems[3]!.sentence).toContain('count them in series');
  });

  it('loads on the BEC need a name and a voltage; empty rows are none', () => {
    const good = readRigForm(formOf(buggy, { 'bus.0.name': 'servo', 'bus.0.maxVolts': '7,4' }), buggy);
    expect(good.rig.busLoads).toEqual([{ name: 'servo', maxVolts: 7.4 }]);
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
});
