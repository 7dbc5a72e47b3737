import type { NetworkInterfaceInfo } from 'node:os';
import { expect, it } from 'vitest';
import { inAddress, nearbyHosts } from './addresses';

const card = (address: string, internal = false): NetworkInterfaceInfo =>
  ({ address, internal }) as NetworkInterfaceInfo;

it('names the private addresses of all cards, plain ones first, then the name in the network', () => {
  const interfaces = {
    lo: [card('127.0.0.1', true), card('::1', true)],
    wired: [card('fd00::5'), card('192.168.1.5'), card('fe80::5')],
    club: [card('10.0.0.9'), card('203.0.113.4')],
  };
  expect(nearbyHosts({ hostname: 'Pit-Box.home', interfaces })).toEqual([
    '192.168.1.5',
    '10.0.0.9',
    'fd00::5',
    'pit-box.local',
  ]);
});

it('has no name where the machine has none that a network takes', () => {
  const interfaces = { wired: [card('10.0.0.9')] };
  expect(nearbyHosts({ hostname: 'localhost', interfaces })).toEqual(['10.0.0.9']);
  expect(nearbyHosts({ hostname: 'my_bench', interfaces })).toEqual(['10.0.0.9']);
});

it('names nothing where the machine is in no private network', () => {
  expect(nearbyHosts({ hostname: 'bench', interfaces: { wired: [card('203.0.113.4')] } })).toEqual([]);
});

it('writes an address of the newer kind in brackets', () => {
  expect(inAddress('fd00::5')).toBe('[fd00::5]');
  expect(inAddress('10.0.0.9')).toBe('10.0.0.9');
});
