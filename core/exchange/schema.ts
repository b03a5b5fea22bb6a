import { PROPERTIES } from '../elements/propertytable.ts';
import { layeredSchema } from '../layered/layered.ts';
import { ViewSchema } from '../layered/views.ts';
import { NodeSchema, StyleSchema } from '../site/node.ts';
import { PageSchema, SiteFileSchema, SiteFrameSchema, TextStyleSchema } from '../site/site.ts';

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
function referring(
  schema: unknown,
  names: ReadonlyMap<string, string>,
  within: string,
  root = false,
): unknown {
  if (Array.isArray(schema)) return schema.map((each) => referring(each, names, within));
  if (typeof schema !== 'object' || schema === null) return schema;
  const name = root ? undefined : names.get(JSON.stringify(schema));
  if (name !== undefined) return { $ref: within + name };
  return Object.fromEntries(
    Object.entries(schema).map(([key, value]) => [key, referring(value, names, within)]),
  );
}

/** Schemas, each part that repeats said once: those of the names given, and the definitions that they refer to. */
function saidOnce(
  schemas: Readonly<Record<string, Json>>,
  within: string,
): { schemas: Record<string, Json>; definitions: Record<string, Json> } {
  const defined = definitions();
  // What is shorter than a reference to it is better said where it stands.
  const names = new Map(
    [...defined]
      .map(([name, schema]) => [JSON.stringify(schema), name] as const)
      .filter(([text]) => text.length > 40),
  );
  const without = (schema: Json) => referring(schema, names, within, true) as Json;
  const used = new Set(names.values());
  return {
    schemas: Object.fromEntries(Object.entries(schemas).map(([name, schema]) => [name, without(schema)])),
    definitions: Object.fromEntries(
      [...defined].filter(([name]) => used.has(name)).map(([name, schema]) => [name, without(schema)]),
    ),
  };
}

/** The site file's JSON Schema (2020-12 https://json-schema.org/draft/2020-12/schema), each part that repeats said once. */
export function siteFileSchema(): Json {
  const { $id, title, ...rest } = plain(SiteFileSchema);
  const { schemas, definitions: $defs } = saidOnce({ body: rest }, '#/$defs/');
  return { $schema: 'https://json-schema.org/draft/2020-12/schema', $id, title, ...schemas.body, $defs };
}

/**
 * What a site consists of, as JSON Schemas by name, and what these refer to: what pages share, a page, and a site as it was
 * published. References begin with `within`.
 */
export function documentSchemas(within: string): Record<string, Json> {
  const [SiteFrame, Page] = [plain(SiteFrameSchema), plain(PageSchema)];
  const PublishedState = {
    ...{ type: 'object', required: ['frame', 'pages'], additionalProperties: false },
    properties: {
      frame: { $ref: `${within}SiteFrame` },
      pages: { type: 'object', additionalProperties: { $ref: `${within}Page` } },
    },
  };
  const { schemas, definitions } = saidOnce({ SiteFrame, Page }, within);
  return { ...schemas, PublishedState, ...definitions };
}
