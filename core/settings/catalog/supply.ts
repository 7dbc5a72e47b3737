import {
  CELL_COUNTS,
  CHEMISTRY_CHOICES,
  CUTOFF_ACTIONS,
  CUTOFF_RETURNS,
  FAN_MODES,
  LEAD_USES,
} from '../choices';
import { named, numbered } from '../setting';

/** The pack, its protection, and what the ESC feeds. */
export const SUPPLY = {
  cellCount: named(
    'Cell count',
    CELL_COUNTS,
    'How the ESC knows the number of cells. Automatic counting misreads a part-used pack.',
    { alsoCalled: ['cells', 'cell count', 'lipo cells', 'battery cells', 'number of cells', 'cell number'] },
  ),
  chemistry: named(
    'Chemistry',
    CHEMISTRY_CHOICES,
    'Which kind of cells the cutoff is for. The wrong one is a hazard.',
    {
      alsoCalled: ['battery type', 'chemistry', 'battery', 'battery mode', 'cell type'],
    },
  ),
  cutoff: numbered(
    'Cutoff',
    {
      unit: 'V/cell',
      decimals: 2,
      bounds: [0.5, 4.5],
      lower: 'longer run, harder on cells',
      higher: 'kinder to cells',
      safeSide: 'higher',
    },
    'The pack voltage under load at which the ESC stops to save the cells. Some manuals count the whole pack’s volts.',
    {
      alsoCalled: [
        'cutoff',
        'cut-off',
        'cut off voltage',
        'cutoff voltage',
        'low voltage cutoff',
        'lvc',
        'voltage protection',
        'low voltage protection',
        'battery protection',
      ],
    },
  ),
  cutoffAction: named(
    'Cutoff action',
    CUTOFF_ACTIONS,
    'What happens when the pack reaches the cutoff. An aeroplane must never stop hard.',
    {
      alsoCalled: [
        'cutoff type',
        'cutoff mode',
        'cutoff action',
        'lvc type',
        'protection mode',
        'cut off type',
      ],
    },
  ),
  cutoffReturn: named(
    'Cutoff return',
    CUTOFF_RETURNS,
    'Whether power comes back once the voltage has recovered.',
    {
      alsoCalled: ['cutoff return', 'power restore', 'cutoff recovery'],
    },
  ),
  becVolts: numbered(
    'BEC voltage',
    {
      unit: 'V',
      decimals: 2,
      bounds: [4, 15],
      lower: 'slower, cooler servos',
      higher: 'quicker servos, shorter lives',
      safeSide: 'lower',
    },
    'The voltage that feeds the receiver and everything plugged into it. The lowest rating on the bus decides.',
    { alsoCalled: ['bec', 'bec voltage', 'bec output', 'sbec', 'receiver voltage', 'servo voltage'] },
  ),
  fan: named('Fan', FAN_MODES, 'When the cooling fan runs. Without a fan it has no effect.', {
    alsoCalled: ['fan', 'fan mode', 'cooling fan', 'fan control'],
  }),
  auxiliaryLead: named(
    'Spare lead',
    LEAD_USES,
    'What a second plug or wire of the ESC does: feed a fan, follow a channel, or send telemetry.',
    { alsoCalled: ['aux lead', 'aux wire', 'aux channel', 'auxiliary lead'] },
  ),
} as const;
