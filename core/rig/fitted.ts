/** Numbers of a rig that its runs told: put in, read out, and taken back. */
import { beforeFit, type FitOrigin, type Quantity } from '../units/provenance';
import { fieldsOf, quantityAt, withQuantity, type QuantityPath } from './fields';
import type { Rig } from './rig';

/** A number of a rig as runs tell it. */
export interface FittedNumber {
  path: QuantityPath;
  quantity: Quantity & { fit: FitOrigin };
}

/** What of a rig its runs told. */
export const fittedIn = (rig: Rig): FittedNumber[] =>
  fieldsOf(rig).flatMap(({ path }) => {
    const { fit, ...quantity } = quantityAt(rig, path);
    return fit ? [{ path, quantity: { ...quantity, fit } }] : [];
  });

/** A rig with what runs told. */
export const withFitted = (rig: Rig, numbers: readonly FittedNumber[]): Rig =>
  numbers.reduce((so, { path, quantity }) => withQuantity(so, path, quantity), rig);

/** A rig as it was before any run had told, or before one number of it was told. */
export const unfitted = (rig: Rig, only?: QuantityPath): Rig =>
  fieldsOf(rig)
    .filter(({ path }) => only === undefined || path === only)
    .reduce((so, { path }) => withQuantity(so, path, beforeFit(quantityAt(so, path))), rig);

const LIST = new Intl.ListFormat('en-GB', { type: 'conjunction' });

/** "fitted from runs 3, 5 and 6" */
export const fittedFrom = ({ runs }: Pick<FitOrigin, 'runs'>): string =>
  `fitted from ${runs.length === 1 ? 'run' : 'runs'} ${LIST.format(runs.map(String))}`;
