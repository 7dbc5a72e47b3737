/**
 * What was typed or chosen while the page was painted and did not answer yet. React leaves such a field as it is, hears of
 * nothing, and puts it back with the next change: so what was done is done once more, now that somebody listens.
 */
import { flushSync } from 'react-dom';

type Field = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;

/** A field that was touched. */
export interface Touched {
  field: Field;
  /** Does to it once more what was done. */
  tell: () => void;
  /** Whether it was touched again since: that was heard. */
  isHeard: boolean;
}

/** Fields that were touched and are other than the server wrote them. Ask while the page still is as it was written, once. */
export const touchedEarly = (): Touched[] =>
  [...(window.takeTouched?.() ?? [])].filter(isField).flatMap((field) => {
    const tell = tellerOf(field);
    if (!tell) return [];
    const touched: Touched = { field, tell, isHeard: false };
    field.addEventListener('input', () => (touched.isHeard = true), { once: true });
    return [touched];
  });

/** Does it once more: each by itself, since a page may make the next from what the last one left. */
export function tellTouched(touched: readonly Touched[]): void {
  for (const { field, tell, isHeard } of touched) if (field.isConnected && !isHeard) flushSync(tell);
}

const isField = (target: EventTarget): target is Field =>
  target instanceof HTMLInputElement ||
  target instanceof HTMLTextAreaElement ||
  target instanceof HTMLSelectElement;

function tellerOf(field: Field): (() => void) | undefined {
  if (field instanceof HTMLSelectElement) return isChosenOther(field) ? chooseAgain(field) : undefined;
  if (field instanceof HTMLTextAreaElement) return isTypedOther(field) ? typeAgain(field) : undefined;
  switch (field.type) {
    case 'checkbox':
      return field.checked !== field.defaultChecked ? tickAgain(field) : undefined;
    case 'radio':
      // Of a group only the one that was chosen speaks.
      return field.checked && !field.defaultChecked ? tickAgain(field) : undefined;
    case 'file':
      return field.value !== '' ? () => say(field, 'change') : undefined;
    default:
      return isTypedOther(field) ? typeAgain(field) : undefined;
  }
}

const isTypedOther = ({ value, defaultValue }: HTMLInputElement | HTMLTextAreaElement): boolean =>
  value !== defaultValue;

function isChosenOther({ options, selectedIndex }: HTMLSelectElement): boolean {
  const written = [...options].findIndex((option) => option.defaultSelected);
  return selectedIndex !== Math.max(written, 0);
}

const say = (field: Field, event: 'input' | 'change'): boolean =>
  field.dispatchEvent(new Event(event, { bubbles: true }));

function chooseAgain(field: HTMLSelectElement): () => void {
  const chosen = field.selectedIndex;
  return () => {
    field.selectedIndex = chosen;
    say(field, 'change');
  };
}

function tickAgain(field: HTMLInputElement): () => void {
  const { checked } = field;
  return () => {
    field.checked = !checked;
    field.click();
  };
}

function typeAgain(field: HTMLInputElement | HTMLTextAreaElement): () => void {
  const typed = field.value;
  return () => {
    // React remembers what it set through the field and listens for what differs: the hand sets it past React.
    field.value = field.defaultValue;
    Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), 'value')!.set!.call(field, typed);
    say(field, 'input');
  };
}
