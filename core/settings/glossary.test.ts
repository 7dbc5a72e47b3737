import { describe, expect, it } from 'vitest';
import { FALSE_FRIENDS, falseFriendsIn, falseFriendsOf } from './falseFriends';
import { entryAnchor, entryOf, friendAnchor, searchGlossary } from './glossary';
import { MOMENTS, momentsOf } from './moments';
import { VOCABULARY, type SettingId } from './vocabulary';

const ids = Object.keys(VOCABULARY) as SettingId[];

describe('the glossary', () => {
  it('has an entry for every setting: what it is, what lower and higher do, or what the choices are', () => {
    for (const id of ids) {
      const { setting } = entryOf(id);
      expect([id, setting.summary.length > 20]).toEqual([id, true]);
      const spelledOut = (setting.lower !== '' && setting.higher !== '') || setting.choices !== undefined;
      expect([id, spelledOut]).toEqual([id, true]);
    }
  });

  it('is written in whole sentences', () => {
    for (const { summary } of Object.values(VOCABULARY)) expect(summary).toMatch(/^[A-Z].*\.$/s);
    for (const { sentence } of FALSE_FRIENDS) expect(sentence).toMatch(/\.$/);
  });

  it('gives every entry a place of its own on its page', () => {
    const anchors = [...ids.map(entryAnchor), ...FALSE_FRIENDS.map(({ id }) => friendAnchor(id))];
    expect(new Set(anchors).size).toBe(anchors.length);
  });

  it.each<[string, SettingId]>([
    ['punch', 'launchStrength'],
    ['punch control', 'launchLimit'],
    ['lvc', 'cutoff'],
    ['timing', 'advance'],
    ['pwm', 'driveFrequency'],
    ['engine brake', 'dragWhileEasing'],
    ['headspeed', 'governorRpm'],
    ['fail-safe', 'signalLossAction'],
    ['HEAT protection', 'escTemperatureLimit'],
  ])('finds “%s” under its own name', (typed, setting) => {
    expect(searchGlossary(typed).settings.map(({ id }) => id)).toContain(setting);
  });

  it('finds all with nothing typed, and nothing for nonsense', () => {
    expect(searchGlossary(' ').settings).toHaveLength(ids.length);
    expect(searchGlossary('xyzzy')).toEqual({ settings: [], falseFriends: [] });
  });
});

describe('false friends (common practice)', () => {
  it.each<[string, string, SettingId[]]>([
    ['Punch', 'punch', ['launchStrength', 'launchLimit']],
    ['Throttle Linearity', 'linearity', ['throttleCurve']],
    ['Boost Start', 'boost-start', ['boostStart', 'boostFromThrottle']],
    ['Turbo Off Rate', 'turbo-rates', ['turboOffRate']],
    ['Custom Cut-Off', 'custom-cutoff', ['cutoff']],
    ['Lipo Cells', 'cell-count', ['cellCount', 'cutoff']],
    ['Running Mode', 'same-number', ['runningMode']],
    ['Initial Brake', 'initial-brake', ['initialBrake', 'dragBrake']],
    ['Brake On Stop', 'zero-throttle', ['propellerBrake', 'freewheel', 'dragBrake']],
    ['Freewheel', 'freewheel', ['freewheel']],
    ['Startup Power', 'start', ['startPower', 'startForce', 'softStart']],
    ['Torque', 'torque', ['torqueLimit']],
    ['Motor Direction', 'direction', ['rotation']],
    ['Motor Timing', 'advance', ['advance', 'boost', 'turbo']],
    ['Dead Band', 'deadband', ['deadband']],
    ['ESC Temp Protection', 'temperature-unit', ['escTemperatureLimit']],
  ])('“%s” calls for a second look', (printed, friend, settings) => {
    const found = falseFriendsIn(printed).find(({ id }) => id === friend);
    expect(found?.settings).toEqual(expect.arrayContaining(settings));
    for (const setting of settings) expect(falseFriendsOf(setting).map(({ id }) => id)).toContain(friend);
  });

  it('a plain name calls for none', () => {
    expect(falseFriendsIn('Fan')).toEqual([]);
  });

  it('each is about settings that are in the vocabulary', () => {
    for (const { settings } of FALSE_FRIENDS) expect(settings.every((id) => id in VOCABULARY)).toBe(true);
  });
});

describe('the moments', () => {
  it('each have a setting, and each setting is in one of them', () => {
    const used = new Set(Object.values(VOCABULARY).map(({ moment }) => moment));
    expect([...used].sort()).toEqual(Object.keys(MOMENTS).sort());
    expect([...momentsOf('propeller')].sort()).toEqual(Object.keys(MOMENTS).sort());
  });
});
