import { PROPERTIES } from '../elements/propertytable.ts';
import { layeredSchema } from '../layered/layered.ts';
import { ViewSchema } from '../layered/views.ts';
import { NodeSchema, StyleSchema } from '../site/node.ts';
import { SiteFileSchema, TextStyleSchema } from '../site/site.ts';

type Json = Record<string, unknown>;

const plain = (schema: object): Json => JSON.parse(JSON.stringify(schema)) as Json;

/** What the schema says once and names: what stands in it more than once, the least first. */
function definitions(): Map<string, Json> {
  const named = new Map<string, Json>();
  const texts = new Set<string>();
  const add = (name: string, schema: object) => {
    const made = plain(schema);
    const text = JSON.stringify(made);
    if (texts.has(text)) return;
    texts.add(text);
    named.set(name, made);
  };
  for (const { name, sides, type } of PROPERTIES) {
    const word = (sides ?? name).replaceAll(/[^A-Za-z]([A-Za-z])/g, (_all, next: string) =>
      next.toUpperCase(),
    );
    add(`${word}Value`, type.schema);
    add(word, layeredSchema(type.schema));
  }
  add('view', ViewSchema);
  add('style', StyleSchema);
  add('textStyle', TextStyleSchema);
  add('node', NodeSchema);
  return named;
}

/** A schema with references in place of what is said elsewhere by a name. */
function referring(schema: unknown, names: ReadonlyMap<string, string>, root = false): unknown {
  if (Array.isArray(schema)) return schema.map((each) => referring(each, names));
  if (typeof schema !== 'object' || schema === null) return schema;
  const name = root ? undefined : names.get(JSON.stringify(schema));
  if (name !== undefined) return { $ref: `#/$defs/${name}` };
  return Object.fromEntries(Object.entries(schema).map(([key, value]) => [key, referring(value, names)]));
}

/** The site file's JSON Schema (2020-12 https://json-schema.org/draft/2020-12/schema), each part that repeats said once. */
export function siteFileSchema(): Json {
  const defined = definitions();
  // What is shorter than a reference to it is better said where it stands.
  const names = new Map(
    [...defined]
      .map(([name, schema]) => [JSON.stringify(schema), name] as const)
      .filter(([text]) => text.length > 40),
  );
  const { $id, title, ...rest } = plain(SiteFileSchema);
  const body = referring(rest, names, true) as Json;
  const $defs = Object.fromEntries(
    [...defined]
      .filter(([name]) => [...names.values()].includes(name))
      .map(([name, schema]) => [name, referring(schema, names, true)]),
  );
  return { $schema: 'https://json-schema.org/draft/2020-12/schema', $id, title, ...body, $defs };
}
