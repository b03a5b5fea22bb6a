import { type Finding, type Fix, sure, type ViewId } from '../../core/index.ts';
import type { ValueRow } from './rows.ts';

type Findings = readonly Finding[];

/** What a command that mends a finding would set: there it is marked. */
const valueOf = ({ call }: Fix) => (call.name === 'setValue' ? call.args : undefined);

const key = (holder: string, part: string, property: string, view: ViewId): string =>
  [holder, part, property, view].join(' ');

/** Findings by the values that can mend them, in each view in which they are found. */
function byValue(list: Findings): ReadonlyMap<string, Findings> {
  const made = new Map<string, Finding[]>();
  for (const finding of list) {
    const keys = new Set(
      (finding.fixes ?? []).flatMap((fix) => {
        const value = valueOf(fix);
        const holders = value?.textStyle === undefined ? (value?.nodes ?? []) : [value.textStyle];
        return holders.flatMap((holder) =>
          finding.views.map((view) =>
            key(holder, sure(value, 'value').part ?? 'self', sure(value, 'value').property, view),
          ),
        );
      }),
    );
    for (const each of keys) made.set(each, [...(made.get(each) ?? []), finding]);
  }
  return made;
}

const known = new WeakMap<Findings, ReadonlyMap<string, Findings>>();

/** What was found that a value in a view can mend. */
export function foundAt(list: Findings, row: ValueRow, view: ViewId): Findings {
  let values = known.get(list);
  if (!values) known.set(list, (values = byValue(list)));
  return row.holders.flatMap(({ id }) =>
    row.properties.flatMap(({ name }) => values.get(key(id, row.part, name, view)) ?? []),
  );
}
