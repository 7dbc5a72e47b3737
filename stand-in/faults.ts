import type { Fault } from '#core/link/control';

export const NO_FAULT: Fault = { kind: 'none' };
