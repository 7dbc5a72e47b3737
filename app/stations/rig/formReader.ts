/** Reads a form field by field, and gathers a sentence for every field that cannot be read. */
import { formatNumber } from '#core/units/format';
import type { Problem } from '#core/units/problem';
import { readNumber } from '#core/units/readNumber';

/** A number that a person may type, with its bounds. */
export interface NumberField {
  name: string;
  label: string;
  unit: string;
  least: number;
  most: number;
}

export class FormReader {
  readonly problems: Problem[] = [];
  private readonly form: FormData;

  constructor(form: FormData) {
    this.form = form;
  }

  text(name: string): string {
    const value = this.form.get(name);
    return typeof value === 'string' ? value.trim() : '';
  }

  has(name: string): boolean {
    return this.form.get(name) !== null;
  }

  refuse(path: string, sentence: string): void {
    this.problems.push({ path, sentence });
  }

  /** @returns undefined where it is no number, or out of bounds: then a problem says so */
  number({ name, label, unit, least, most }: NumberField): number | undefined {
    const read = readNumber(this.text(name));
    const suffix = unit && ` ${unit}`;
    const wanted = `between ${formatNumber(least, 4)} and ${formatNumber(most, 4)}${suffix}`;
    if (read === undefined)
      this.refuse(name, `${label}: “${this.text(name)}” is not a number. It must be ${wanted}.`);
    else if (read < least || read > most)
      this.refuse(name, `${label} is ${formatNumber(read, 4)}${suffix}; it must be ${wanted}.`);
    else return read;
    return undefined;
  }

  /** @returns null where nothing was typed */
  optional(field: NumberField): number | null | undefined {
    return this.text(field.name) === '' ? null : this.number(field);
  }

  whole(field: NumberField): number | undefined {
    const read = this.number(field);
    if (read !== undefined && !Number.isInteger(read)) {
      this.refuse(field.name, `${field.label} is ${formatNumber(read, 4)}: a whole number is needed.`);
      return undefined;
    }
    return read;
  }

  choice<K extends string>(name: string, table: Readonly<Record<K, unknown>>, otherwise: K): K {
    const text = this.text(name);
    return Object.hasOwn(table, text) ? (text as K) : otherwise;
  }
}
