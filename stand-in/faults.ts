import type { Fault } from '#core/device/control';

export const NO_FAULT: Fault = { kind: 'none' };
