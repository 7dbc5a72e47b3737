import { VOCABULARY } from '#core/settings/vocabulary';
import { describeValue } from '#core/settings/value';
import { fieldsOf, quantityAt } from '#core/rig/fields';
import { dayTable } from '#core/days/dayTable';
import { packTable } from '#core/packs/packTable';
import { practiceTable } from '#core/rehearsal/practiceTable';
import { runTable } from '#core/runs/runTable';
import { setUpTable } from '#core/setUps/setUpTable';
import { writeDocument, type LiveTuneDocument } from '#formats/document';
import Papa from 'papaparse';
import { Refused } from '../refused';

/** A document in the newest version of its format, or as a table. */
export function convert(document: LiveTuneDocument, to: string): string {
  switch (to) {
    case 'json':
      return writeDocument(document);
    case 'csv':
      return `${Papa.unparse(tableOf(document), { escapeFormulae: true })}\r\n`;
    default:
      throw new Refused(`--to takes json or csv, not '${to}'.`);
  }
}

function tableOf(document: LiveTuneDocument): object[] {
  switch (document.format) {
    case 'live-tune/esc-profile':
      return document.items.flatMap((item) =>
        item.stops.map((stop) => ({
          item: item.number,
          label: item.label,
          setting: VOCABULARY[item.setting].name,
          stop: stop.number,
          value: stop.label,
          meaning: describeValue(VOCABULARY[item.setting], stop.value),
          basis: stop.basis,
          factory: stop.id === item.factoryStopId ? '*' : '',
        })),
      );
    case 'live-tune/sheet':
      return document.values.map(({ itemNumber, itemLabel, stopNumber, stopLabel, basis, seenAt }) => ({
        item: itemNumber,
        label: itemLabel,
        stop: stopNumber,
        value: stopLabel,
        basis,
        seenAt,
      }));
    case 'live-tune/run':
      return runTable(document.run);
    case 'live-tune/pack':
      return packTable(document);
    case 'live-tune/day':
      return dayTable(document.day);
    case 'live-tune/practice':
      return practiceTable(document.results);
    case 'live-tune/set-up':
      return setUpTable(document.setUp);
    case 'live-tune/rig':
      return fieldsOf(document.rig).map(({ path, label, unit, perSi }) => {
        const { value, basis } = quantityAt(document.rig, path);
        return { path, label, value: Number((value * perSi).toPrecision(6)), unit, basis };
      });
  }
}
